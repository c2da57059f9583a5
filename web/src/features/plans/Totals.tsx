import type { S } from '../../lib/api'
import { clock } from '../../lib/format'

const REGIONS: Record<string, string> = {
  LEGS: 'legs and hips',
  PUSH: 'chest and shoulders',
  PULL: 'back',
  ARMS: 'arms',
  CALVES: 'calves and feet',
  TRUNK: 'trunk',
  BALANCE: 'balance',
  EASE: 'pulse, mobility, breathing',
}

/** What the plan comes to: work and rest, and the work by region, purpose and side. */
export function Totals({ compiled }: { compiled: S['Compiled'] }) {
  const { timeline: t, totals } = compiled
  if (t.total === 0) return null
  const most = Math.max(1, ...Object.values(totals.regions))
  const row = 'grid grid-cols-[1fr_auto] gap-x-3 border-b border-line py-0.5'
  return (
    <section aria-label="What it comes to" className="mt-5">
      <h2 className="border-b-2 border-ink pb-1 font-bold">What it comes to</h2>
      <dl>
        {[
          ['work', clock(t.workSeconds)],
          ['rest', clock(t.restSeconds)],
          ['posture changes', String(t.postureChanges)],
          ['trips to the floor', String(t.floorTrips)],
        ].map(([k, v]) => (
          <div key={k} className={row}>
            <dt>{k}</dt>
            <dd className="font-mono">{v}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mt-3 text-[13px] text-soft">work by region</h3>
      <dl>
        {Object.keys(REGIONS)
          .filter((r) => totals.regions[r])
          .map((r) => (
            <div key={r} className="grid grid-cols-[150px_1fr_48px] items-center gap-x-2 py-0.5 text-[14px]">
              <dt>{REGIONS[r]}</dt>
              <dd aria-hidden="true" className="h-2.5 bg-line">
                <span
                  className="block h-full bg-teal"
                  style={{ width: `${((totals.regions[r] ?? 0) / most) * 100}%` }}
                />
              </dd>
              <dd className="text-right font-mono">{clock(totals.regions[r] ?? 0)}</dd>
            </div>
          ))}
      </dl>
      <details className="mt-1">
        <summary className="min-h-[32px] cursor-pointer text-[13px] text-teal underline underline-offset-4">
          by purpose
        </summary>
        <dl>
          {Object.entries(totals.purposes)
            .sort((a, b) => b[1] - a[1])
            .map(([p, s]) => (
              <div key={p} className={`${row} text-[14px]`}>
                <dt>{p.toLowerCase().replaceAll('_', ' ')}</dt>
                <dd className="font-mono">{clock(s)}</dd>
              </div>
            ))}
        </dl>
      </details>
      <h3 className="mt-2 text-[13px] text-soft">work by side</h3>
      <p className="font-mono text-[14px]">
        left {clock(totals.left)} · right {clock(totals.right)} · both {clock(totals.both)}
        {totals.extra > 0 && ` · extra ${clock(totals.extra)}`}
      </p>
    </section>
  )
}
