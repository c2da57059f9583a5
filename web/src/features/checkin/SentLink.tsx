import { useEffect, useState } from 'react'
import { Button } from '../../ui/Button'

const COPIED_MS = 4000
const QR = { type: 'svg', errorCorrectionLevel: 'M', margin: 4 } as const

/** The link of a check-in, to copy, to open, or to be read off by the client's own phone. */
export function SentLink({ link, whose }: { link: string; whose: string }) {
  const [said, setSaid] = useState<'copied' | 'failed'>()
  const [code, setCode] = useState<string>()
  useEffect(() => {
    if (said !== 'copied') return
    const t = setTimeout(() => setSaid(undefined), COPIED_MS)
    return () => clearTimeout(t)
  }, [said])
  const draw = async () => {
    const { default: qr } = await import('qrcode')
    const svg = await qr.toString(link, QR)
    setCode(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`)
  }
  return (
    <div>
      <a className="break-all text-teal underline" href={link}>
        {link}
      </a>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <Button
          onClick={() =>
            // without https there is no clipboard at all
            void Promise.resolve()
              .then(() => navigator.clipboard.writeText(link))
              .then(
                () => setSaid('copied'),
                () => setSaid('failed'),
              )
          }
        >
          Copy the link
        </Button>
        {code ? (
          <Button onClick={() => setCode(undefined)}>Put the code away</Button>
        ) : (
          <Button onClick={() => void draw()}>Code for their phone</Button>
        )}
        <span role="status" className="text-sm">
          {said === 'copied' && 'Copied.'}
          {said === 'failed' && 'This browser does not let it be copied: mark the link and copy it.'}
        </span>
      </p>
      {code && (
        <figure className="mt-2">
          <img src={code} alt={`Code that opens the check-in of ${whose}`} width={220} height={220} />
          <figcaption className="text-sm text-soft">
            For {whose} alone: whoever reads it can answer for them.
          </figcaption>
        </figure>
      )}
    </div>
  )
}
