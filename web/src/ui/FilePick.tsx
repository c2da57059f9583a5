import { useState } from 'react'
import { upload, type S } from '../lib/api'
import { Button } from './Button'
import { Failure } from './Failure'
import { Field } from './Field'

type Attached = S['Attachment']

/** A file to keep with a client; sent at once, so that nothing is lost when the form fails. */
export function FilePick({
  clientId,
  file,
  onFile,
}: {
  clientId: string
  file?: Attached | null
  onFile: (a: Attached | null) => void
}) {
  const [error, setError] = useState<unknown>(null)
  const [busy, setBusy] = useState(false)
  return (
    <Field label="Letter or note" hint="PDF, PNG or JPEG, 10 MB at most">
      {(p) => (
        <>
          {file ? (
            <p className="flex min-h-[42px] items-center gap-3">
              <a className="text-teal underline" href={`/api/attachments/${file.id}`}>
                {file.name}
              </a>
              <Button quiet onClick={() => onFile(null)}>
                Leave it out
              </Button>
            </p>
          ) : (
            <input
              {...p}
              type="file"
              accept=".pdf,.png,.jpg,.jpeg"
              disabled={busy}
              onChange={(e) => {
                const picked = e.target.files?.[0]
                if (!picked) return
                setBusy(true)
                setError(null)
                upload(clientId, picked)
                  .then(onFile, (x: unknown) => setError(x))
                  .finally(() => setBusy(false))
              }}
            />
          )}
          <Failure error={error} />
        </>
      )}
    </Field>
  )
}
