import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState, type ComponentType, type ReactNode } from 'react'
import { ApiError, given, type S, http, told } from '../../lib/api'
import { day, fullDay } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { consequence, HAPPENED } from '../clients/happened'
import { useClient } from '../clients/useClient'
import { HALO, markLabels, PAD, across } from './scale'
import { Away } from './Strip'

type Mark = S['Mark']
type RowOf = ComponentType<{ name: string; head: ReactNode; side: ReactNode; children: ReactNode }>

const HEIGHT = 40
const LINE = 30
const FEW = 3
const key = (m: Mark) => `${m.on} ${m.kind} ${m.words ?? ''} ${m.entryId ?? ''}`
const OWN = [
  ['MEDICINE', 'a medicine changed'],
  ['HOLIDAY', 'a holiday'],
  ['HARD_DAY', 'a hard day'],
  ['NOTE', 'a note'],
] as const
const isOwn = (kind: string): kind is (typeof OWN)[number][0] => OWN.some(([k]) => k === kind)

/** What happened beside the sessions, on the same days; a mark opens what was different before it. */
export function Diary({ v, width, Row }: { v: S['ToleranceView']; width: number; Row: RowOf }) {
  const { client } = useClient()
  const marks = useQuery(q.clients.diary(client.id, v.from))
  const [open, setOpen] = useState<string>()
  const [adding, setAdding] = useState(false)
  const [whole, setWhole] = useState(false)
  const [taken, setTaken] = useState<Mark>()
  const cache = useQueryClient()
  const back = useMutation({
    mutationFn: async (m: Mark) => {
      if (!isOwn(m.kind)) return
      const body = { kind: m.kind, on: m.on, until: m.until, words: m.words }
      await told(
        http.POST('/api/clients/{clientId}/diary', { params: { path: { clientId: client.id } }, body }),
      )
    },
    onSuccess: () => {
      setTaken(undefined)
      return q.changed(cache, 'client', client.id)
    },
  })
  const all = marks.data ?? []
  const newest = [...all].reverse()
  const shown = whole ? newest : newest.slice(0, FEW)
  const chosen = all.find((m) => key(m) === open)
  const toggle = (m: Mark) => setOpen(open === key(m) ? undefined : key(m))
  return (
    <>
      <Row
        name="Diary"
        head={
          <>
            <h2 className="font-bold">Diary</h2>
            <p className="text-sm text-soft">what happened beside the sessions</p>
            <button
              type="button"
              aria-expanded={adding}
              className="no-print min-h-[34px] text-sm text-teal underline underline-offset-4"
              onClick={() => setAdding(!adding)}
            >
              {adding ? 'Close' : 'Add to it'}
            </button>
          </>
        }
        side={
          <>
            <ul className="text-sm">
              {marks.data && all.length === 0 && <li className="text-soft">Nothing in this span.</li>}
              {shown.map((m) => (
                <li key={key(m)}>
                  <button
                    type="button"
                    aria-expanded={open === key(m)}
                    className="min-h-[26px] text-left"
                    onClick={() => toggle(m)}
                  >
                    <span className="text-soft">{day(m.on)}</span>{' '}
                    <span className="text-teal underline underline-offset-4">{m.title}</span>
                    {m.words && <span className="text-soft">: {short(m.words)}</span>}
                  </button>
                </li>
              ))}
            </ul>
            {all.length > FEW && (
              <button
                type="button"
                className="no-print min-h-[26px] text-sm text-soft underline underline-offset-4"
                onClick={() => setWhole(!whole)}
              >
                {whole ? 'the newest' : `all ${all.length}`}
              </button>
            )}
          </>
        }
      >
        {width > 0 && <Marks all={all} v={v} width={width} open={chosen} toggle={toggle} />}
        <Failure error={marks.error ?? back.error} />
        {taken && (
          <p role="status" className="no-print text-sm">
            {taken.title}, {day(taken.on)}, is taken off.{' '}
            <button
              type="button"
              disabled={back.isPending}
              className="min-h-[34px] font-semibold text-teal underline underline-offset-4"
              onClick={() => back.mutate(taken)}
            >
              Put it back
            </button>
          </p>
        )}
      </Row>
      {adding && <Adding today={v.today} done={() => setAdding(false)} />}
      {chosen && (
        <Opened key={open} m={chosen} today={v.today} close={() => setOpen(undefined)} off={setTaken} />
      )}
    </>
  )
}

const LONG = 60
const short = (words: string) => (words.length > LONG ? `${words.slice(0, LONG).trimEnd()}…` : words)

function Marks({
  all,
  v,
  width,
  open,
  toggle,
}: {
  all: Mark[]
  v: S['ToleranceView']
  width: number
  open?: Mark
  toggle: (m: Mark) => void
}) {
  const x = across(v.from, v.today, width)
  const place = (iso: string) => Math.min(width - PAD, Math.max(PAD, x(iso)))
  const at = all.filter((m) => m.on <= v.today).map((m) => ({ m, x: place(m.on) }))
  const labels = markLabels(
    at.map((p) => ({ x: p.x, text: p.m.title.toLowerCase() })),
    width,
  )
  return (
    <svg
      role="img"
      aria-label={`${all.length} marks in the diary; they are in the list beside it.`}
      width={width}
      height={HEIGHT}
      className="block"
    >
      <Away v={v} width={width} top={0} height={LINE} />
      <line x1={PAD - 4} x2={width} y1={LINE} y2={LINE} stroke="#DED5C7" />
      {at.map(({ m, x: here }, i) => (
        <g key={key(m)} className="cursor-pointer" onClick={() => toggle(m)}>
          <rect x={here - 8} y={0} width={16} height={HEIGHT} fill="transparent" />
          {m.until && (
            <rect
              x={here}
              y={LINE - 2}
              width={Math.max(2, place(m.until < v.today ? m.until : v.today) - here)}
              height={4}
              fill="#0E5A68"
            />
          )}
          {m.grave ? (
            <path d={`M${here} ${LINE - 7}l6 7l-6 7l-6 -7z`} fill="#6A4A68" />
          ) : (
            <circle cx={here} cy={LINE} r={4.5} fill="#FFFDF9" stroke="#1F2D36" strokeWidth="1.5" />
          )}
          {open === m && <circle cx={here} cy={LINE} r={9} fill="none" stroke="#B8700F" strokeWidth="1.5" />}
          {labels[i] !== undefined && (
            <text
              x={labels[i]}
              y={14}
              fontSize="11.5"
              fontWeight={m.grave ? 600 : 400}
              fill={m.grave ? '#6A4A68' : '#1F2D36'}
              {...HALO}
            >
              {m.title.toLowerCase()}
            </text>
          )}
        </g>
      ))}
    </svg>
  )
}

/** A mark whole, and what was different before it. */
function Opened({
  m,
  today,
  close,
  off,
}: {
  m: Mark
  today: string
  close: () => void
  off: (m: Mark) => void
}) {
  const { client } = useClient()
  const cache = useQueryClient()
  const over = m.on <= today
  const before = useQuery({ ...q.clients.before(client.id, m.on), enabled: over })
  const remove = useMutation({
    mutationFn: (id: string) =>
      told(
        http.DELETE('/api/clients/{clientId}/diary/{id}', {
          params: { path: { clientId: client.id, id } },
        }),
      ),
    onSuccess: () => {
      off(m)
      close()
      return q.changed(cache, 'client', client.id)
    },
  })
  return (
    <section
      aria-label={`${m.title}, ${fullDay(m.on)}`}
      className="grid gap-x-8 gap-y-3 border-b border-line bg-sheet px-3 py-3 md:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]"
    >
      <div>
        <h3 className="font-bold">
          {m.title}, {fullDay(m.on)}
          {m.until && ` to ${fullDay(m.until)}`}
        </h3>
        {m.words && <p>{m.words}</p>}
        <p className="text-sm text-soft">{m.from}</p>
        <p className="no-print mt-2 flex gap-2">
          <Button onClick={close}>Close</Button>
          {m.entryId && (
            <Button disabled={remove.isPending} onClick={() => remove.mutate(m.entryId ?? '')}>
              Take it off
            </Button>
          )}
        </p>
        <Failure error={remove.error} />
      </div>
      {over && (
        <div>
          <h4 className="font-bold">What was different before it</h4>
          {before.data && (
            <>
              <ul className="text-sm">
                {before.data.lines.map((l) => (
                  <li key={l}>{l}</li>
                ))}
                {before.data.marked.map((b) => (
                  <li key={key(b)}>
                    {b.title}, {day(b.on)}
                    {b.words && `: ${b.words}`}
                  </li>
                ))}
              </ul>
              <p className="mt-1 text-[13px] text-soft">{before.data.caution}</p>
            </>
          )}
          <Failure error={before.error} />
        </div>
      )}
    </section>
  )
}

function Adding({ today, done }: { today: string; done: () => void }) {
  const { client } = useClient()
  const cache = useQueryClient()
  const [form, setForm] = useState({ kind: 'MEDICINE', on: today, until: '', words: '' })
  const happened = HAPPENED.find(([k]) => k === form.kind)?.[0]
  const save = useMutation({
    mutationFn: async (): Promise<unknown> => {
      const path = { params: { path: { clientId: client.id } } }
      if (happened)
        return told(
          http.POST('/api/clients/{clientId}/happened', {
            ...path,
            body: { kind: happened, on: given(form.on), note: given(form.words.trim()) },
          }),
        )
      if (!isOwn(form.kind)) return undefined
      return told(
        http.POST('/api/clients/{clientId}/diary', {
          ...path,
          body: {
            kind: form.kind,
            on: given(form.on),
            until: form.until || undefined,
            words: form.words.trim() || undefined,
          },
        }),
      )
    },
    onSuccess: () => {
      done()
      return q.changed(cache, 'client', client.id)
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const set = (k: string) => (e: { target: { value: string } }) => setForm({ ...form, [k]: e.target.value })
  return (
    <form
      noValidate
      aria-label="Add to the diary"
      className="border-b border-line bg-sheet px-3 py-3"
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <div className="grid gap-x-5 sm:grid-cols-[2fr_1fr_1fr_3fr]">
        <Field label="What" error={error?.field('/kind')}>
          {(p) => (
            <select {...p} value={form.kind} onChange={set('kind')}>
              <optgroup label="beside the sessions">
                {OWN.map(([k, w]) => (
                  <option key={k} value={k}>
                    {w}
                  </option>
                ))}
              </optgroup>
              <optgroup label="it counts for training">
                {HAPPENED.map(([k, w]) => (
                  <option key={k} value={k}>
                    {w}
                  </option>
                ))}
              </optgroup>
            </select>
          )}
        </Field>
        <Field label="When" error={error?.field('/on')}>
          {(p) => <input {...p} type="date" value={form.on} onChange={set('on')} />}
        </Field>
        {happened ? (
          <span />
        ) : (
          <Field label="Until" error={error?.field('/until')}>
            {(p) => <input {...p} type="date" value={form.until} onChange={set('until')} />}
          </Field>
        )}
        <Field label="In words" error={error?.field(happened ? '/note' : '/words')}>
          {(p) => <input {...p} maxLength={400} value={form.words} onChange={set('words')} />}
        </Field>
      </div>
      {happened && <p className="mb-3 text-sm font-semibold text-ochre-deep">{consequence(happened)}</p>}
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        Add
      </Button>
    </form>
  )
}
