import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { zodResolver } from '@hookform/resolvers/zod'
import * as z from 'zod/mini'
import { ApiError, type S, given, http, ifMatch, told } from '../../lib/api'
import { refused } from '../../lib/form'
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

const FORM = z.object({
  name: z.string(),
  zone: z.string(),
  emergencyNumber: z.string(),
  phone: z.string(),
  massUnit: z.string(),
  glucoseUnit: z.string(),
})
type Form = z.infer<typeof FORM>

/** Typed on the version it was opened with; what is stored meanwhile is loaded only on asking. */
function SettingsForm({ studio, onLoad }: { studio: S['Studio']; onLoad: () => void }) {
  const form = useForm<Form>({
    resolver: zodResolver(FORM),
    defaultValues: { ...studio, phone: studio.phone ?? '' },
  })
  const { register, formState } = form
  const [version, setVersion] = useState(studio.version)
  const [saved, setSaved] = useState(false)
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: (f: Form) =>
      told(
        http.PUT('/api/settings', {
          params: { header: ifMatch(version) },
          body: { ...f, phone: given(f.phone) },
        }),
      ),
    onError: (e) => refused(form, e),
    onSuccess: async (now) => {
      setVersion(now.version)
      cache.setQueryData(q.studio.settings().queryKey, now)
      await q.changed(cache, 'studio')
      setSaved(true)
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const text = (k: 'name' | 'zone' | 'emergencyNumber' | 'phone', label: string, hint?: string) => (
    <Field label={label} hint={hint} error={formState.errors[k]?.message}>
      {(p) => <input {...p} {...register(k, { onChange: () => setSaved(false) })} />}
    </Field>
  )
  return (
    <form noValidate className="max-w-xl" onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}>
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
            <select {...p} {...register('massUnit', { onChange: () => setSaved(false) })}>
              <option value="KG">kilograms</option>
              <option value="LB">pounds</option>
            </select>
          )}
        </Field>
        <Field label="Glucose in">
          {(p) => (
            <select {...p} {...register('glucoseUnit', { onChange: () => setSaved(false) })}>
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
