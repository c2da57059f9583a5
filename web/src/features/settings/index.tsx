import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, type S, http, ifMatch, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'

/** The studio's own settings. */
export function SettingsPage() {
  const [loaded, setLoaded] = useState(0)
  const settings = useQuery(q.studio.settings())
  if (!settings.data)
    return settings.error ? <Failure error={settings.error} /> : <Loading what="the settings" />
  return (
    <SettingsForm
      key={loaded}
      studio={settings.data}
      onLoad={() => void settings.refetch().then((r) => r.isSuccess && setLoaded((n) => n + 1))}
    />
  )
}

/** Typed on the version it was opened with; what is stored meanwhile is loaded only on asking. */
function SettingsForm({ studio, onLoad }: { studio: S['Studio']; onLoad: () => void }) {
  const [form, setForm] = useState({ ...studio, id: undefined, version: undefined })
  const [version, setVersion] = useState(studio.version)
  const [saved, setSaved] = useState(false)
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () => told(http.PUT('/api/settings', { params: { header: ifMatch(version) }, body: form })),
    onSuccess: async (now) => {
      setVersion(now.version)
      cache.setQueryData(q.studio.settings().queryKey, now)
      await q.changed(cache, 'studio')
      setSaved(true)
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const text = (k: 'name' | 'zone' | 'emergencyNumber' | 'phone', label: string, hint?: string) => (
    <Field label={label} hint={hint} error={error?.field('/' + k)}>
      {(p) => (
        <input
          {...p}
          value={form[k] ?? ''}
          onChange={(e) => {
            setSaved(false)
            setForm({ ...form, [k]: e.target.value })
          }}
        />
      )}
    </Field>
  )
  return (
    <form
      noValidate
      className="max-w-xl"
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <h1 className="py-5 text-[26px] font-bold">Settings</h1>
      {text('name', 'Studio')}
      {text(
        'emergencyNumber',
        'Emergency number',
        'shown on the stop panel and wherever something is urgent',
      )}
      {text('phone', 'Telephone of the studio', 'printed on cards and letters')}
      {text('zone', 'Time zone', 'decides which day it is, such as Europe/Oslo')}
      <div className="grid grid-cols-2 gap-x-4">
        <Field label="Weights typed in" hint="kept in kg; what is printed is shown as printed">
          {(p) => (
            <select
              {...p}
              value={form.massUnit}
              onChange={(e) => setForm({ ...form, massUnit: e.target.value })}
            >
              <option value="KG">kilograms</option>
              <option value="LB">pounds</option>
            </select>
          )}
        </Field>
        <Field label="Glucose in">
          {(p) => (
            <select
              {...p}
              value={form.glucoseUnit}
              onChange={(e) => setForm({ ...form, glucoseUnit: e.target.value })}
            >
              <option value="MMOL">mmol/L</option>
              <option value="MGDL">mg/dL</option>
            </select>
          )}
        </Field>
      </div>
      <Failure error={save.error} />
      {error?.problem.code === 'stale' && (
        <Button className="mb-3" onClick={onLoad}>
          Load what is stored
        </Button>
      )}
      <div className="flex items-center gap-3">
        <Button main type="submit" disabled={save.isPending}>
          Save
        </Button>
        {saved && <span role="status">saved</span>}
      </div>
    </form>
  )
}
