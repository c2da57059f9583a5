import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Suspense, useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { Link, NavLink, Outlet, useLocation, useNavigate, useNavigationType } from 'react-router'
import { type S, http, told } from '../lib/api'
import { stale } from '../lib/client'
import { findMovements } from '../lib/find'
import { hourOf } from '../lib/format'
import { useNewer } from '../lib/installed'
import { useKeys, useKeysHere } from '../lib/keys'
import * as q from '../lib/queries'
import { useOwnTitle } from '../lib/title'
import { Dialog } from '../ui/Dialog'
import { Failure } from '../ui/Failure'
import { Loading } from '../ui/Loading'
import { Waiting } from '../ui/Waiting'
import { useOpenInView } from '../ui/useOpenInView'
import { Broken } from './Broken'

const NAV = [
  { to: '/', words: 'Day sheet', key: 'd' },
  { to: '/clients', words: 'Clients', key: 'c' },
  { to: '/plans', words: 'Plans', key: 'p' },
  { to: '/groups', words: 'Groups', key: 'g' },
  { to: '/movements', words: 'Movements', key: 'm' },
  { to: '/kit', words: 'Kit', key: 'k' },
  { to: '/records', words: 'Records', key: 'r' },
]

/** The name of the page in the tab of the browser, where the page says nothing of its own. */
const titleOf = (path: string) => {
  const at = [...NAV, { to: '/settings', words: 'Settings' }, { to: '/rules', words: 'Rules' }].find((n) =>
    n.to === '/' ? path === '/' : path.startsWith(n.to),
  )
  return at ? `${at.words} · Riposo` : 'Riposo'
}

export function Shell({ me }: { me: S['Me'] }) {
  const [find, setFind] = useState(false)
  const [keys, setKeys] = useState(false)
  const navigate = useNavigate()
  const location = useLocation()
  const own = useOwnTitle()
  const cache = useQueryClient()
  const [left, setLeft] = useState(0)
  const out = useMutation({
    meta: { says: 'Signing out …' },
    mutationFn: async (anyway: boolean) => {
      // what is delivered goes from this device with who signs out; what is not stays until it is
      const waiting = await import('../lib/run').then((run) => run.leave())
      setLeft(waiting)
      return waiting > 0 && !anyway ? undefined : told(http.POST('/api/sign-out')).then(() => true)
    },
    onSuccess: (gone) => {
      if (!gone) return
      cache.clear()
      window.location.assign('/')
    },
  })
  useKeys([
    {
      press: '[Shift]+/',
      shown: '/',
      words: 'find a client, a plan or a movement',
      act: () => setFind(true),
    },
    { press: '[Shift]+?', shown: '?', words: 'these keys', act: () => setKeys(true) },
    ...NAV.map((n) => ({
      press: `g ${n.key}`,
      words: n.words.toLowerCase(),
      act: () => void navigate(n.to),
    })),
  ])
  useEffect(() => {
    // what a run on this device still has to send goes now, and whenever the connection is back
    const deliver = () => void import('../lib/run').then((run) => run.deliverAll()).catch(() => {})
    deliver()
    window.addEventListener('online', deliver)
    return () => window.removeEventListener('online', deliver)
  }, [])
  const way = useNavigationType()
  useEffect(() => {
    // back goes back to where one was
    if (way !== 'POP') window.scrollTo(0, 0)
  }, [location.pathname, way])
  const row = useOpenInView(location.pathname)
  return (
    <div className="min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only">
        Skip to the page
      </a>
      <title>{own ? `${own} · Riposo` : titleOf(location.pathname)}</title>
      <header className="no-print border-b border-line">
        <div className="mx-auto flex max-w-[1280px] items-center gap-x-4 px-4 md:gap-x-6 md:px-6">
          <Link to="/" className="flex shrink-0 items-center gap-2 py-2.5 text-xl font-bold text-teal">
            <img src="/mark.svg" alt="Riposo" width="26" height="26" />
            <span className="hidden lg:inline" aria-hidden>
              Riposo
            </span>
          </Link>
          <nav
            ref={row}
            aria-label="Main"
            tabIndex={-1}
            className="flex min-w-0 flex-1 gap-x-4 overflow-x-auto whitespace-nowrap sm:gap-x-5"
          >
            {NAV.map((n) => (
              <NavLink
                key={n.to}
                to={n.to}
                end={n.to === '/'}
                className={({ isActive }) =>
                  `flex min-h-[48px] items-center border-b-[3px] focus-visible:-outline-offset-2 ${isActive ? 'border-ochre font-semibold' : 'border-transparent text-soft hover:text-ink'}`
                }
              >
                {n.words}
              </NavLink>
            ))}
            <span className="ml-auto flex items-center gap-4 pl-2 text-soft">
              <span className="hidden lg:inline">
                {me.name} · {me.studio}
              </span>
              <Link to="/settings" className="flex min-h-[44px] items-center underline underline-offset-4">
                Settings
              </Link>
              <button
                type="button"
                className="min-h-[44px] underline underline-offset-4"
                onClick={() => out.mutate(false)}
              >
                Sign out
              </button>
            </span>
          </nav>
          <button
            type="button"
            onClick={() => setFind(true)}
            className="flex min-h-[44px] shrink-0 items-center gap-2 text-soft"
          >
            <kbd>/</kbd> find
          </button>
        </div>
      </header>
      <Stale />
      <Newer />
      <Waiting />
      {left > 0 && (
        <div role="alert" className="mx-auto max-w-[1280px] px-4 pt-2 md:px-6">
          <p className="flex flex-wrap items-center gap-3 border-l-4 border-ochre bg-sheet px-3 py-1.5">
            {left === 1 ? '1 entry of a session waits' : `${left} entries of sessions wait`} on this device
            and could not be sent. They stay here until somebody signs in again.
            <button type="button" className="btn" onClick={() => out.mutate(true)}>
              Sign out all the same
            </button>
          </p>
        </div>
      )}
      <Failure error={out.error} />
      <main id="main" className="mx-auto max-w-[1280px] px-4 pb-16 md:px-6">
        <Broken at={location.pathname}>
          <Suspense fallback={<Loading what="the page" />}>
            <Outlet />
          </Suspense>
        </Broken>
      </main>
      <Find open={find} onOpenChange={setFind} />
      <KeysHere open={keys} onOpenChange={setKeys} />
    </div>
  )
}

/** A newer version is taken when somebody wants it, and not while a session is open on this device. */
function Newer() {
  const take = useNewer()
  const [open, setOpen] = useState<string>()
  if (!take) return null
  return (
    <p role="status" className="no-print mx-auto max-w-[1280px] px-4 pt-2 md:px-6">
      <span className="flex flex-wrap items-center gap-3 border-l-4 border-teal bg-sheet px-3 py-1.5">
        A newer Riposo is ready on this device.
        {open && <strong>First the session of {open} that is open here.</strong>}
        <button
          type="button"
          className="btn"
          onClick={() =>
            void import('../lib/run')
              .then((run) => run.onDevice())
              .then(
                (all) => {
                  const goes = all.find((r) => r.status === 'RUNNING' || r.status === 'PAUSED')
                  setOpen(goes?.name)
                  if (!goes) take()
                },
                () => take(),
              )
          }
        >
          Take it now
        </button>
      </span>
    </p>
  )
}

/** While no refresh reaches the server the page stays as it is, and says so. */
function Stale() {
  const since = useSyncExternalStore(stale.subscribe, stale.since)
  return (
    <p role="status" className="no-print mx-auto max-w-[1280px] px-4 md:px-6">
      {since && (
        <span className="mt-2 block border-l-4 border-ochre bg-sheet px-3 py-1.5">
          No connection since {hourOf(since)}: what is shown may be older.
        </span>
      )}
    </p>
  )
}

/** The keys of the screen that is open, and those that work everywhere. */
function KeysHere({ open, onOpenChange }: { open: boolean; onOpenChange: (o: boolean) => void }) {
  const here = useKeysHere()
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys of this screen">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
        {here.map((k) => (
          <div key={k.press} className="contents">
            <dt>
              <kbd>{k.shown ?? k.press}</kbd>
            </dt>
            <dd>{k.words}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  )
}

function Find({ open, onOpenChange }: { open: boolean; onOpenChange: (o: boolean) => void }) {
  const [text, setText] = useState('')
  const [wanted, setWanted] = useState(false)
  const navigate = useNavigate()
  const clients = useQuery({ ...q.clients.names(), enabled: open })
  const plans = useQuery({ ...q.plans.all(), enabled: open })
  const movements = useQuery({ ...q.movements.all(), enabled: open })
  const all = [
    ...(clients.data ?? []).map((c) => ({ to: `/clients/${c.id}`, name: c.name, kind: 'client' })),
    ...(plans.data ?? []).map((p) => ({ to: `/plans/${p.id}`, name: p.name, kind: 'plan' })),
  ]
    .filter((x) => x.name.toLowerCase().includes(text.trim().toLowerCase()))
    .concat(
      findMovements(movements.data ?? [], text).map((m) => ({
        to: `/movements/${m.id}`,
        name: m.name,
        kind: 'movement',
      })),
    )
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
    <Dialog open={open} onOpenChange={onOpenChange} title="Find" free>
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
          <li className="py-2 text-soft">No client, plan or movement answers “{text}”.</li>
        )}
      </ul>
    </Dialog>
  )
}
