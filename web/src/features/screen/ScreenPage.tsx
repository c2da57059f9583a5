import { useEffect, useState } from 'react'
import { ApiError, http, told, type S } from '../../lib/api'
import { momentAt, roundsOf } from '../../lib/run/moment'
import { Far } from '../run/Far'
import { GroupFar } from '../run/group/GroupFar'
import { useAwake } from '../run/useHeard'
import { blockWord, countWords } from '../run/words'

const MS = 1000
const ASK = MS
const LOOK = 200
const LENGTH = 6
const GONE = 404

/** A screen for the clients, opened by the code that who leads has on theirs. */
export function ScreenPage({ code: given }: { code: string }) {
  const [code, setCode] = useState(given)
  return code ? (
    <Shown
      key={code}
      code={code}
      other={() => {
        history.replaceState(null, '', '/screen')
        setCode('')
      }}
    />
  ) : (
    <Asked
      onCode={(c) => {
        history.replaceState(null, '', `/screen/${c}`)
        setCode(c)
      }}
    />
  )
}

function Asked({ onCode }: { onCode: (code: string) => void }) {
  const [text, setText] = useState('')
  const plain = text.toUpperCase().replace(/[^A-Z0-9]/g, '')
  return (
    <main className="flex min-h-screen flex-col items-center justify-center bg-night px-4 text-white">
      <title>Second screen · Riposo</title>
      <form
        className="w-full max-w-md"
        onSubmit={(e) => {
          e.preventDefault()
          if (plain.length === LENGTH) onCode(plain)
        }}
      >
        <h1 className="mb-2 text-3xl font-bold">Second screen</h1>
        <label className="block text-lg">
          The code on the screen of who leads
          <input
            autoFocus
            autoComplete="off"
            className="mt-1 font-mono !text-4xl uppercase tracking-widest text-ink"
            maxLength={LENGTH + 2}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <button
          type="submit"
          className="mt-3 min-h-[56px] w-full rounded-md bg-sand text-xl font-bold text-night disabled:opacity-50"
          disabled={plain.length !== LENGTH}
        >
          Show the session
        </button>
      </form>
    </main>
  )
}

function Shown({ code, other }: { code: string; other: () => void }) {
  const [view, setView] = useState<S['ScreenView']>()
  const [heard, setHeard] = useState(0)
  const [failed, setFailed] = useState<ApiError>()
  const [now, setNow] = useState(() => performance.now())
  const over = failed && failed.problem.status >= GONE
  useEffect(() => {
    if (over) return
    let ended = false
    const ask = () =>
      told(http.GET('/api/screens/{code}', { params: { path: { code } } })).then(
        (v) => {
          if (ended) return
          setView(v)
          setHeard(performance.now())
          setFailed(undefined)
        },
        (e: unknown) => {
          if (!ended && e instanceof ApiError) setFailed(e)
        },
      )
    void ask()
    const asking = setInterval(() => void ask(), ASK)
    const looking = setInterval(() => setNow(performance.now()), LOOK)
    return () => {
      ended = true
      clearInterval(asking)
      clearInterval(looking)
    }
  }, [code, over])
  useAwake(view?.status === 'RUNNING')
  const note =
    'flex min-h-screen flex-col items-center justify-center gap-4 bg-night px-4 text-center text-2xl text-white'
  if (over || !view)
    return (
      <main className={note}>
        <title>Second screen · Riposo</title>
        <p role={failed ? 'alert' : undefined}>{failed ? failed.message : 'Looking for the session …'}</p>
        {failed && (
          <button type="button" className="min-h-[48px] rounded-md border border-sand px-5" onClick={other}>
            Another code
          </button>
        )}
      </main>
    )
  if (view.status === 'FINISHED')
    return (
      <main className={note}>
        <p className="text-6xl font-bold">Done</p>
      </main>
    )
  // between two answers the clock goes on by this device
  const passed = view.status === 'RUNNING' ? Math.max(0, now - heard) : 0
  const held = Math.min(view.holdMs, passed)
  const moment = momentAt(view.timeline, {
    status: view.status,
    positionMs: Math.min(view.timeline.total * MS, view.positionMs + passed - held),
    holdMs: view.holdMs - held,
    livedMs: 0,
    skippedMs: 0,
    stops: [],
  })
  if (!moment) return null
  const { segments } = view.timeline
  const at = (s: S['Segment'] | undefined) => view.work.find((w) => s && w.segment === segments.indexOf(s))
  const shown = at(moment.shown)
  const then = at(moment.then)
  const { segment } = moment
  const rounds = roundsOf(segments, segment)
  const place = [
    ...(segment.round > 0 && rounds > 1 ? [`round ${segment.round} of ${rounds}`] : []),
    blockWord(segment),
  ]
  const drawn = (id: string) => `/api/screens/${code}/figures/${id}.svg`
  const lost = failed && <p className="text-sand">no connection: the clock goes on</p>
  if (view.lanes.length > 0)
    return (
      <>
        <title>Second screen · Riposo</title>
        <GroupFar
          timeline={view.timeline}
          moment={moment}
          lanes={view.lanes.flatMap((name, index) => {
            const of = view.work.find(
              (w) => moment.shown && w.segment === segments.indexOf(moment.shown) && w.lane === index,
            )
            return of ? [{ index, name, part: view.parts[of.part] }] : []
          })}
          place={place}
          figure={drawn}
          corner={lost}
        />
      </>
    )
  return (
    <>
      <title>Second screen · Riposo</title>
      <Far
        timeline={view.timeline}
        moment={moment}
        part={shown && view.parts[shown.part]}
        left={shown?.left}
        then={then && view.parts[then.part]}
        place={place}
        reps={
          moment.shown &&
          countWords(moment.shown, shown?.reps === undefined ? undefined : { reps: shown.reps })
        }
        figure={drawn}
        corner={lost}
      />
    </>
  )
}
