import type { S } from '../../lib/api'

/** Where each axis sits on the figure, for a person facing us: their left is on our right. */
const SPOTS: [RegExp, 'arm' | 'leg' | 'mid', number, number][] = [
  [/^joint\.shoulder/, 'arm', 30, 54],
  [/^joint\.elbow/, 'arm', 40, 82],
  [/^(joint\.wrist|grip|load\.hand)/, 'arm', 46, 108],
  [/^bearing\.arm/, 'arm', 46, 116],
  [/^joint\.hip/, 'leg', 14, 116],
  [/^joint\.knee/, 'leg', 17, 152],
  [/^joint\.ankle/, 'leg', 19, 188],
  [/^bearing\.leg/, 'leg', 19, 194],
  [/^(joint\.neck|head\.)/, 'mid', 0, 30],
  [/^(spine\.|pressure|hold)/, 'mid', 0, 84],
  [/^load\./, 'mid', 0, 60],
]

/** The joint's range as a slice: the open part filled, the closed part hatched. */
function slice(degrees: number, cx: number, cy: number, r: number, from: number, turn: 1 | -1) {
  const point = (d: number): [number, number] => {
    const a = ((from + turn * d) * Math.PI) / 180
    return [cx + r * Math.sin(a), cy + r * Math.cos(a)]
  }
  const [x1, y1] = point(0)
  const [x2, y2] = point(degrees)
  return `M${cx} ${cy}L${x1} ${y1}A${r} ${r} 0 ${degrees > 180 ? 1 : 0} ${turn === 1 ? 0 : 1} ${x2} ${y2}Z`
}

/** A small figure of our own that shows where a limit sits and how much of a joint's range it leaves. */
export function LimitFigure({
  axisId,
  unit,
  side,
  cap,
  words,
}: {
  axisId: string
  unit: string
  side: S['LimitView']['side']
  cap: number
  words: string
}) {
  const spot = SPOTS.find(([re]) => re.test(axisId))
  const sides = side === 'BOTH' ? [1, -1] : side === 'LEFT' ? [1] : [-1]
  const joint = axisId.startsWith('joint.') && unit === 'DEGREES'
  const standing = axisId.startsWith('balance') || axisId.startsWith('impact')
  return (
    <figure className="text-center">
      <svg viewBox="0 0 200 220" role="img" aria-label={words} className="mx-auto h-52">
        <g transform="translate(100 0)" fill="none" stroke="#1F2D36" strokeWidth="3.5" strokeLinecap="round">
          <circle cx="0" cy="18" r="12" />
          <path d="M0 30V108M-30 54Q0 42 30 54M-30 54L-40 82L-46 108M30 54L40 82L46 108" />
          <path d="M-14 114Q0 104 14 114M-14 114L-17 152L-19 190M14 114L17 152L19 190" />
          <path d="M-19 190h-10M19 190h10" />
        </g>
        <path d="M40 205H160" stroke="#DED5C7" strokeWidth="2" />
        {spot &&
          (spot[1] === 'mid' ? [0] : sides).map((s) => {
            const x = 100 + (spot[1] === 'mid' ? 0 : s * spot[2])
            const y = spot[3]
            return (
              <g key={s}>
                {joint ? (
                  <>
                    <path
                      d={slice(180, x, y, 26, 0, s === 1 ? 1 : -1)}
                      fill="#EDE3EC"
                      stroke="#6A4A68"
                      strokeDasharray="3 3"
                    />
                    {cap > 0 && (
                      <path
                        d={slice(Math.min(179.9, cap), x, y, 26, 0, s === 1 ? 1 : -1)}
                        fill="#0E5A68"
                        fillOpacity="0.55"
                      />
                    )}
                  </>
                ) : (
                  <circle
                    cx={x}
                    cy={y}
                    r="13"
                    fill="#0E5A68"
                    fillOpacity="0.25"
                    stroke="#0E5A68"
                    strokeWidth="2.5"
                  />
                )}
              </g>
            )
          })}
        {standing && <path d="M70 198H130" stroke="#0E5A68" strokeWidth="7" strokeLinecap="round" />}
      </svg>
      <figcaption className="text-sm font-semibold">{words}</figcaption>
      <p className="text-[13px] text-soft">
        {joint ? 'filled: left open; dashed: closed. ' : ''}
        {spot && spot[1] !== 'mid' ? 'Seen from the front: their left is on our right.' : ''}
      </p>
    </figure>
  )
}
