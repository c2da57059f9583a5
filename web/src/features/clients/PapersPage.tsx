import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm, useWatch } from 'react-hook-form'
import { Link, useNavigate, useSearchParams } from 'react-router'
import * as z from 'zod/mini'
import { ApiError, type S, http, keepFile, told, given } from '../../lib/api'
import { asked, numberOf, refused, whole } from '../../lib/form'
import * as q from '../../lib/queries'
import { fullDay, fileSize, moment } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { FilePick } from '../../ui/FilePick'
import { Loading } from '../../ui/Loading'
import { Pages } from '../../ui/Pages'
import { usePage } from '../../ui/usePage'
import { useClient } from './useClient'

/** Clearances, letters and files; what happened; the export, archive and erasure; who saw and changed. */
export function PapersPage() {
  const { client } = useClient()
  const [params, setParams] = useSearchParams()
  const clearing = params.has('record')
  const close = () => setParams({}, { replace: true })
  return (
    <div className="grid gap-x-10 gap-y-10 lg:grid-cols-2">
      <div>
        <Clearances clientId={client.id} onAdd={() => setParams({ record: '' })} />
        <Happened clientId={client.id} />
        <Files clientId={client.id} />
      </div>
      <div>
        <Keeping />
        <Trail clientId={client.id} />
      </div>
      <Dialog open={clearing} onOpenChange={(o) => !o && close()} title="Record a clearance" wide>
        <ClearanceForm onDone={close} />
      </Dialog>
    </div>
  )
}

function Clearances({ clientId, onAdd }: { clientId: string; onAdd: () => void }) {
  const list = useQuery(q.papers.clearances(clientId))
  if (list.error) return <Failure error={list.error} />
  if (!list.data) return <Loading what="clearances" />
  return (
    <section aria-labelledby="clearances">
      <div className="mb-1 flex flex-wrap items-center justify-between gap-2">
        <h2 id="clearances" className="text-lg font-bold">
          Clearances
        </h2>
        <span className="flex gap-2">
          <Link className="btn" to="../letter">
            Letter to ask
          </Link>
          <Button main onClick={onAdd}>
            Record a clearance
          </Button>
        </span>
      </div>
      <ul className="border-t-2 border-ink">
        {list.data.length === 0 && <li className="py-3 text-soft">None on file.</li>}
        {list.data.map((c) => (
          <li key={c.id} className="border-b border-line py-2">
            <strong className={c.expired || c.voidedBy ? 'line-through' : ''}>
              {c.role} {c.name}, {fullDay(c.givenOn)}
            </strong>{' '}
            {c.expired ? 'ended' : 'good until'} {fullDay(c.validUntil)}
            {c.endsSoon && <span className="font-semibold text-ochre-deep"> ends within 14 days</span>}
            {c.voidedBy && (
              <span className="block text-sm font-semibold text-brick">voided: {c.voidedBy}</span>
            )}
            <span className="block text-sm text-soft">
              {c.covers.length > 0
                ? `covers ${c.covers.join(', ')}`
                : 'covers no finding, sets or lifts limits'}
              {c.note && ` · ${c.note}`}
            </span>
            {c.attachment && (
              <a className="text-sm text-teal underline" href={`/api/attachments/${c.attachment.id}`}>
                {c.attachment.name}
              </a>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

const ROLES = ['doctor', 'surgeon', 'midwife', 'physiotherapist', 'other clinician'] as const
/** Whether a clearance speaks of an aneurysm: then its size and a pressure limit are asked for. */
const ofAneurysm = (covers: string[]) => covers.includes('standing.event.aneurysm')

/** As typed: whether it may be so is the server's word. */
const CLEARANCE = z
  .object({
    role: z.enum(ROLES),
    name: z.string(),
    givenOn: z.string(),
    validUntil: z.string(),
    note: z.string(),
    covers: z.array(z.string()),
    lifts: z.array(z.string()),
    aneurysmMm: z.string(),
    pressureLimit: z.string(),
  })
  .check(
    asked('aneurysmMm', whole, (f) => ofAneurysm(f.covers)),
    asked('pressureLimit', whole, (f) => ofAneurysm(f.covers)),
  )
type Clearance = z.infer<typeof CLEARANCE>

function ClearanceForm({ onDone }: { onDone: () => void }) {
  const { client, readiness, limits } = useClient()
  const today = useToday()
  const findings = readiness.findings.filter(
    (f) =>
      (f.outcome === 'CLEARANCE_ONLY' || f.outcome === 'ASK_FIRST') &&
      !f.rule.startsWith('standing.rescreen.'),
  )
  const liftable = limits.filter((l) => ['ACTIVE', 'REVIEW_DUE', 'LATER'].includes(l.state))
  const form = useForm<Clearance>({
    resolver: zodResolver(CLEARANCE),
    defaultValues: {
      role: 'doctor',
      name: '',
      givenOn: today,
      validUntil: '',
      note: '',
      covers: findings.map((f) => f.rule),
      lifts: [],
      aneurysmMm: '',
      pressureLimit: '',
    },
  })
  const { register, formState } = form
  const [covers, lifts, givenOn] = useWatch({
    control: form.control,
    name: ['covers', 'lifts', 'givenOn'],
  })
  const aneurysm = ofAneurysm(covers)
  const [file, setFile] = useState<S['Attachment'] | null>(null)
  const standard = useQuery({
    ...q.papers.defaultUntil(client.id, givenOn, covers),
    enabled: !!givenOn,
  })
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: (f: Clearance) =>
      told(
        http.POST('/api/clients/{clientId}/clearances', {
          params: { path: { clientId: client.id } },
          body: {
            ...f,
            givenOn: given(f.givenOn),
            validUntil: given(f.validUntil),
            note: given(f.note),
            aneurysmMm: ofAneurysm(f.covers) ? numberOf(f.aneurysmMm) : undefined,
            pressureLimit: ofAneurysm(f.covers) ? numberOf(f.pressureLimit) : undefined,
            attachmentId: file?.id,
          },
        }),
      ),
    onError: (e) => refused(form, e),
    onSuccess: () => {
      void q.changed(cache, 'client', client.id)
      onDone()
    },
  })
  const wrong = (k: keyof Clearance) => formState.errors[k]?.message
  const toggle = (k: 'covers' | 'lifts', id: string, on: boolean) => {
    form.clearErrors(k)
    const now = form.getValues(k)
    form.setValue(k, on ? [...now, id] : now.filter((x) => x !== id), { shouldDirty: true })
  }
  return (
    <form noValidate onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}>
      <div className="grid gap-x-4 sm:grid-cols-2">
        <Field label="From whom" error={wrong('role')}>
          {(p) => (
            <select {...p} {...register('role')}>
              {ROLES.map((r) => (
                <option key={r}>{r}</option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Name" error={wrong('name')}>
          {(p) => <input {...p} {...register('name')} />}
        </Field>
        <Field label="Dated" error={wrong('givenOn')}>
          {(p) => <input {...p} type="date" {...register('givenOn')} />}
        </Field>
        {aneurysm && (
          <>
            <Field
              label="Size of the aneurysm"
              hint="mm, as the clinician states it"
              error={wrong('aneurysmMm')}
            >
              {(p) => <input {...p} inputMode="numeric" {...register('aneurysmMm')} />}
            </Field>
            <Field
              label="Pressure limit, upper number"
              hint="mmHg; becomes a line of the care plan: at it, not today"
              error={wrong('pressureLimit')}
            >
              {(p) => <input {...p} inputMode="numeric" {...register('pressureLimit')} />}
            </Field>
          </>
        )}
        <Field
          label="Good until"
          hint={
            standard.data
              ? `empty: ${fullDay(standard.data.validUntil)}, ${standard.data.why}`
              : 'empty: 12 months, 6 weeks after an operation, the trimester in pregnancy'
          }
          error={wrong('validUntil')}
        >
          {(p) => <input {...p} type="date" {...register('validUntil')} />}
        </Field>
      </div>
      {findings.length > 0 && (
        <fieldset className="mb-4">
          <legend className="font-semibold">It covers</legend>
          {findings.map((f) => (
            <label key={f.rule} className="flex items-start gap-2 py-1.5">
              <input
                type="checkbox"
                checked={covers.includes(f.rule)}
                onChange={(e) => toggle('covers', f.rule, e.target.checked)}
              />
              {f.text}
            </label>
          ))}
        </fieldset>
      )}
      {wrong('covers') && <p className="mb-3 text-sm font-semibold text-brick">{wrong('covers')}</p>}
      {liftable.length > 0 && (
        <fieldset className="mb-4">
          <legend className="font-semibold">
            It lifts <span className="font-normal text-soft">for good; set a new limit for what stays</span>
          </legend>
          <div className="max-h-48 overflow-auto" tabIndex={0} role="region" aria-label="Limits it can lift">
            {liftable.map((l) => (
              <label key={l.id} className="flex items-start gap-2 py-1.5">
                <input
                  type="checkbox"
                  checked={lifts.includes(l.id)}
                  onChange={(e) => toggle('lifts', l.id, e.target.checked)}
                />
                <span>
                  {l.words}{' '}
                  <span className="text-sm text-soft">
                    {l.strength === 'FIRM' ? 'firm' : 'advised'} · {l.source}
                  </span>
                </span>
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {wrong('lifts') && <p className="mb-3 text-sm font-semibold text-brick">{wrong('lifts')}</p>}
      <Field label="Note" error={wrong('note')}>
        {(p) => <input {...p} {...register('note')} />}
      </Field>
      <FilePick clientId={client.id} file={file} onFile={setFile} />
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        Record
      </Button>
    </form>
  )
}

function Happened({ clientId }: { clientId: string }) {
  const list = useQuery(q.papers.happened(clientId))
  if (!list.data?.length) return null
  return (
    <section className="mt-8" aria-labelledby="happened">
      <h2 id="happened" className="mb-1 text-lg font-bold">
        What happened
      </h2>
      <ul className="border-t-2 border-ink">
        {list.data.map((h) => (
          <li key={h.id} className="border-b border-line py-2">
            {fullDay(h.on)}: {h.words}
            <span className="block text-sm text-soft">
              {h.note && `${h.note} · `}recorded by {h.recordedBy}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Files({ clientId }: { clientId: string }) {
  const list = useQuery(q.papers.files(clientId))
  const cache = useQueryClient()
  return (
    <section className="mt-8" aria-labelledby="files">
      <h2 id="files" className="mb-1 text-lg font-bold">
        Files
      </h2>
      <ul className="mb-3 border-t-2 border-ink">
        {list.data?.length === 0 && <li className="py-3 text-soft">None yet.</li>}
        {list.data?.map((a) => (
          <li key={a.id} className="border-b border-line py-2">
            <a className="text-teal underline" href={`/api/attachments/${a.id}`}>
              {a.name}
            </a>{' '}
            <span className="text-sm text-soft">
              {a.type.split('/')[1]}, {fileSize(a.size)}
            </span>
          </li>
        ))}
      </ul>
      <Failure error={list.error} />
      <FilePick clientId={clientId} onFile={() => void cache.invalidateQueries(q.papers.files(clientId))} />
    </section>
  )
}

function Keeping() {
  const { client } = useClient()
  const [erasing, setErasing] = useState(false)
  const [name, setName] = useState('')
  const cache = useQueryClient()
  const navigate = useNavigate()
  const archive = useMutation({
    mutationFn: () => {
      const which = { params: { path: { id: client.id } } }
      return client.archivedOn
        ? told(http.POST('/api/clients/{id}/restore', which))
        : told(http.POST('/api/clients/{id}/archive', which))
    },
    onSuccess: () => void q.changed(cache, 'client', client.id),
  })
  const erase = useMutation({
    meta: { says: 'Erasing everything kept …' },
    mutationFn: () =>
      told(http.POST('/api/clients/{id}/erase', { params: { path: { id: client.id } }, body: { name } })),
    onSuccess: async () => {
      await navigate('/clients')
      cache.removeQueries({ queryKey: q.ofClient(client.id) })
      await q.changed(cache, 'client', client.id)
    },
  })
  const exported = useMutation({
    meta: { says: 'Making the file …' },
    mutationFn: () => keepFile(`/clients/${client.id}/export`),
    // that it was taken away is on the record
    onSuccess: () => cache.invalidateQueries({ queryKey: q.ofClient(client.id, 'trail') }),
  })
  const error = erase.error instanceof ApiError ? erase.error : undefined
  return (
    <section aria-labelledby="keeping">
      <h2 id="keeping" className="mb-1 text-lg font-bold">
        What is kept
      </h2>
      <div className="flex flex-wrap gap-2 border-t-2 border-ink py-3">
        <Button onClick={() => exported.mutate()} disabled={exported.isPending}>
          Export everything (JSON)
        </Button>
        <Button onClick={() => archive.mutate()} disabled={archive.isPending}>
          {client.archivedOn ? 'Restore' : 'Archive'}
        </Button>
        <Button onClick={() => setErasing(true)}>Erase for good</Button>
      </div>
      <Failure error={exported.error ?? archive.error} />
      <p className="text-sm text-soft">
        The export holds screenings, limits, clearances, files, runs, check-ins and verdicts. Archive hides
        and keeps; erase deletes all of it, files and the words in the record of changes too.
      </p>
      <Dialog open={erasing} onOpenChange={setErasing} title={`Erase ${client.name}`} leaves>
        <form
          noValidate
          onSubmit={(e) => {
            e.preventDefault()
            erase.mutate()
          }}
        >
          <p className="mb-3">
            Everything kept of this client is deleted and cannot be brought back. Export first if anyone needs
            it.
          </p>
          <Field label={`Type “${client.name}”`} error={error?.field('/name')}>
            {(p) => <input {...p} autoFocus value={name} onChange={(e) => setName(e.target.value)} />}
          </Field>
          <Failure error={erase.error} />
          <Button type="submit" disabled={erase.isPending} className="!border-brick !text-brick">
            Erase for good
          </Button>
        </form>
      </Dialog>
    </section>
  )
}

function Trail({ clientId }: { clientId: string }) {
  const [page, setPage] = usePage('changes')
  const audit = useQuery(q.papers.trail(clientId, page))
  return (
    <section className="mt-8" aria-labelledby="trail">
      <h2 id="trail" className="mb-1 text-lg font-bold">
        Who saw and changed
      </h2>
      {audit.data && (
        <Pages newest label="Pages of who saw and changed" {...audit.data} go={setPage}>
          {audit.isPlaceholderData ? 'looking …' : `${audit.data.total} entries, newest first`}
        </Pages>
      )}
      <ul
        aria-busy={audit.isPlaceholderData}
        className="max-h-[480px] overflow-auto border-t-2 border-ink"
        tabIndex={0}
        aria-label="Who saw and changed, newest first"
      >
        {audit.data?.lines.map((a) => (
          <li key={a.id} className="border-b border-line py-1.5 text-sm">
            <span className="text-soft">{moment(a.at)}</span> {a.who} {a.action} {a.subject}
            {a.detail && <span className="text-soft">: {a.detail}</span>}
          </li>
        ))}
      </ul>
      <Failure error={audit.error} />
    </section>
  )
}
