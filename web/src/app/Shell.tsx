import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { api, type S } from '../lib/api'
import { Dialog } from '../ui'

const NAV = [
  { to: '/', words: 'Day sheet', key: 'd' },
  { to: '/clients', words: 'Clients', key: 'c' },
  { to: '/plans', words: 'Plans', key: 'p' },
  { to: '/groups', words: 'Groups', key: 'g' },
  { to: '/movements', words: 'Movements', key: 'm' },
  { to: '/kit', words: 'Kit', key: 'k' },
  { to: '/records', words: 'Records', key: 'r' },
]

const KEYS: [string, string][] = [
  ['/', 'find a client, a plan or a movement'],
  ['g then d c p g m k r', 'day sheet, clients, plans, groups, movements, kit, records'],
  ['a f n o 1–9 z', 'plan builder: add, format, name, order for me, take a fix, undo'],
  ['+ l P', 'group sheet: drop-in, people and lanes, print'],
  ['?', 'these keys'],
  ['y n u', 'screening: yes, no, not sure'],
  ['1 2 3 l r b', 'screening: a choice, a side'],
  ['↑ ↓', 'adapt desk: step on the stair'],
  ['j k', 'adapt desk: next and previous slot'],
  ['m 1–9', 'adapt desk: make it gentler, the modifier of that number'],
  ['t w v', 'adapt desk: the trace, what if, compare'],
  ['f', 'movements: find'],
  ['← →', 'a family’s stair: the next family'],
  ['space ← → r s', 'run: pause, back, skip, +15 s, stop sign'],
]

/** True while the person types into something. */
export function typing(e: KeyboardEvent): boolean {
  const t = e.target as HTMLElement | null
  return !!t && (t.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(t.tagName))
}

export function Shell({ me }: { me: S['Me'] }) {
  const [find, setFind] = useState(false)
  const [keys, setKeys] = useState(false)
  const navigate = useNavigate()
  const location = useLocation()
  const cache = useQueryClient()
  const going = useRef(0)
  const out = useMutation({
    mutationFn: () => api.post<undefined>('/sign-out', {}),
    onSuccess: () => {
      cache.clear()
      window.location.assign('/')
    },
  })
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return
      if (Date.now() - going.current < 2500) {
        const to = NAV.find((n) => n.key === e.key)
        going.current = 0
        if (to) {
          e.preventDefault()
          void navigate(to.to)
          return
        }
      }
      if (e.key === 'g') going.current = Date.now()
      if (e.key === '/') {
        e.preventDefault()
        setFind(true)
      }
      if (e.key === '?') setKeys(true)
    }
    window.addEventListener('keydown', on)
    return () => window.removeEventListener('keydown', on)
  }, [navigate])
  useEffect(() => {
    // what a run on this device still has to send goes now, and whenever the connection is back
    const deliver = () => void import('../lib/run').then((run) => run.deliverAll()).catch(() => {})
    deliver()
    window.addEventListener('online', deliver)
    return () => window.removeEventListener('online', deliver)
  }, [])
  useEffect(() => {
    window.scrollTo(0, 0)
  }, [location.pathname])
  return (
    <div className="min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only">
        Skip to the page
      </a>
      <header className="no-print border-b border-line">
        <div className="mx-auto flex max-w-[1280px] flex-wrap items-center gap-x-6 px-4 md:px-6">
          <Link to="/" className="flex items-center gap-2 py-3 text-xl font-bold text-teal">
            <img src="/mark.svg" alt="" width="26" height="26" />
            Riposo
          </Link>
          <nav
            aria-label="Main"
            className="order-last flex w-full flex-wrap gap-x-4 whitespace-nowrap sm:order-none sm:w-auto sm:gap-x-5"
          >
            {NAV.map((n) => (
              <NavLink
                key={n.to}
                to={n.to}
                end={n.to === '/'}
                className={({ isActive }) =>
                  `border-b-[3px] py-3 ${isActive ? 'border-ochre font-semibold' : 'border-transparent text-soft hover:text-ink'}`
                }
              >
                {n.words}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-4 text-soft">
            <button
              type="button"
              onClick={() => setFind(true)}
              className="flex min-h-[44px] items-center gap-2"
            >
              <kbd>/</kbd> find
            </button>
            <span className="hidden md:inline">
              {me.name} · {me.studio}
            </span>
            <Link to="/settings" className="flex min-h-[44px] items-center underline underline-offset-4">
              Settings
            </Link>
            <button
              type="button"
              className="min-h-[44px] underline underline-offset-4"
              onClick={() => out.mutate()}
            >
              Sign out
            </button>
          </div>
        </div>
      </header>
      <main id="main" className="mx-auto max-w-[1280px] px-4 pb-16 md:px-6">
        <Outlet />
      </main>
      <Find open={find} onOpenChange={setFind} />
      <Dialog open={keys} onOpenChange={setKeys} title="Keys">
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
          {KEYS.map(([k, w]) => (
            <div key={k} className="contents">
              <dt>
                <kbd>{k}</kbd>
              </dt>
              <dd>{w}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </div>
  )
}

function Find({ open, onOpenChange }: { open: boolean; onOpenChange: (o: boolean) => void }) {
  const [text, setText] = useState('')
  const [wanted, setWanted] = useState(false)
  const navigate = useNavigate()
  const clients = useQuery({
    queryKey: ['clients', false],
    queryFn: () => api.get<S['Client'][]>('/clients'),
    enabled: open,
  })
  const plans = useQuery({
    queryKey: ['plans'],
    queryFn: () => api.get<S['Plan'][]>('/plans'),
    enabled: open,
  })
  const movements = useQuery({
    queryKey: ['movements'],
    queryFn: () => api.get<S['MovementView'][]>('/movements'),
    enabled: open,
  })
  const all = [
    ...(clients.data ?? []).map((c) => ({ to: `/clients/${c.id}`, name: c.name, kind: 'client' })),
    ...(plans.data ?? []).map((p) => ({ to: `/plans/${p.id}`, name: p.name, kind: 'plan' })),
    ...(movements.data ?? []).map((m) => ({ to: `/movements/${m.id}`, name: m.name, kind: 'movement' })),
  ].filter((x) => x.name.toLowerCase().includes(text.trim().toLowerCase()))
  const go = (to: string) => {
    onOpenChange(false)
    setText('')
    setWanted(false)
    void navigate(to)
  }
  // Enter before the lists are there goes on as soon as they are.
  const first = all[0]?.to
  const ready = clients.data !== undefined && plans.data !== undefined && movements.data !== undefined
  const goes = useRef(go)
  useEffect(() => {
    goes.current = go
  })
  useEffect(() => {
    if (wanted && ready && first) goes.current(first)
  }, [wanted, ready, first])
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Find">
      <form
        onSubmit={(e) => {
          e.preventDefault()
          setWanted(true)
        }}
      >
        <input
          autoFocus
          aria-label="Name of a client, plan or movement"
          value={text}
          onChange={(e) => {
            setText(e.target.value)
            setWanted(false)
          }}
        />
      </form>
      <ul className="mt-3">
        {all.slice(0, 8).map((x) => (
          <li key={x.to} className="border-b border-line">
            <button
              type="button"
              className="flex min-h-[44px] w-full items-center justify-between"
              onClick={() => go(x.to)}
            >
              <span>{x.name}</span>
              <span className="text-soft">{x.kind}</span>
            </button>
          </li>
        ))}
        {all.length === 0 && (
          <li className="py-2 text-soft">No client, plan or movement has “{text}” in its name.</li>
        )}
      </ul>
    </Dialog>
  )
}
