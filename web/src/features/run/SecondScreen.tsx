import { useState } from 'react'
import { ApiError, http, told } from '../../lib/api'
import { button } from './look'

/** The code that shows far on another device: a new one each time, the one before is shut. */
export function SecondScreen({ runId }: { runId: string }) {
  const [code, setCode] = useState<string>()
  const [failed, setFailed] = useState<ApiError>()
  const ask = async () => {
    setFailed(undefined)
    try {
      setCode((await told(http.POST('/api/runs/{id}/screen', { params: { path: { id: runId } } }))).code)
    } catch (e) {
      if (!(e instanceof ApiError)) throw e
      setFailed(e)
    }
  }
  return (
    <div>
      <button type="button" className={button} onClick={() => void ask()}>
        {code ? 'Another code' : 'Show it on a second screen'}
      </button>
      {code && (
        <p className="mt-1" role="status">
          On the other device open <strong>{location.host}/screen</strong> and type{' '}
          <strong className="font-mono text-2xl tracking-widest text-sand">{code}</strong>. It shows the clock
          and the movement, no log and no limits. For 12 hours.
        </p>
      )}
      {failed && (
        <p role="alert" className="mt-1 font-bold text-sand">
          {failed.message}
        </p>
      )}
    </div>
  )
}
