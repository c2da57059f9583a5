import { memo, useMemo } from 'react'
import type { S } from '../../lib/api'
import { HALO, PAD, STRIP, across, effortAt, held, labels, nearest, painAt, paths, said } from './scale'

interface Span {
  v: S['ToleranceView']
  width: number
}

interface Eye {
  /** The session looked at, by its place in the list; null for none. */
  eye: number | null
  look: (at: number | null) => void
  open: (at: number) => void
}

/** The places of the sessions on the strip. */
export const usePlaces = ({ v, width }: Span) =>
  useMemo(() => {
    const x = across(v.from, v.today, width)
    return v.list.map((s) => x(s.date))
  }, [v, width])

/** The hatching of days away, once on a page. */
export const Hatch = () => (
  <svg width="0" height="0" aria-hidden className="absolute">
    <pattern id="away" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="7" height="7" fill="#EDE3EC" />
      <line x1="0" x2="0" y1="0" y2="7" stroke="#6A4A68" strokeOpacity="0.45" strokeWidth="2" />
    </pattern>
  </svg>
)

/** The days without a session, hatched. */
export function Away({
  v,
  width,
  top,
  height,
  words,
}: Span & { top: number; height: number; words?: boolean }) {
  const x = across(v.from, v.today, width)
  return v.away.map((a) => {
    const left = Math.max(PAD, x(a.from) - 2)
    const wide = Math.min(width - PAD, x(a.to) + 2) - left
    return (
      <g key={a.from}>
        <rect x={left} y={top} width={Math.max(2, wide)} height={height} fill="url(#away)" />
        {words && wide > 84 && (
          <text x={left + 6} y={top + 13} fontSize="11" fill="#6A4A68" {...HALO}>
            away, {a.days} days
          </text>
        )}
      </g>
    )
  })
}

/** Draws once, looks often: the line of the eye and the pointer lie over what is drawn. */
export function Plot({
  label,
  height,
  width,
  places,
  eye,
  look,
  open,
  children,
}: Eye & { label: string; height: number; width: number; places: number[]; children: React.ReactNode }) {
  const near = (e: React.MouseEvent<SVGSVGElement>) =>
    nearest(places, e.clientX - e.currentTarget.getBoundingClientRect().left)
  const here = eye === null ? undefined : places[eye]
  return (
    <svg
      role="img"
      aria-label={label}
      width={width}
      height={height}
      className="block cursor-pointer"
      onMouseMove={(e) => look(near(e))}
      onMouseLeave={() => look(null)}
      onClick={(e) => {
        const at = near(e)
        if (at >= 0) open(at)
      }}
    >
      {children}
      {here !== undefined && (
        <line x1={here} x2={here} y1={0} y2={height} stroke="#B8700F" strokeWidth="1.5" />
      )}
    </svg>
  )
}

const Art = memo(function Art({ f, v, width }: Span & { f: S['FamilyRow'] }) {
  const x = across(v.from, v.today, width)
  const place = (m: S['FamilyMark']) => x(v.list[m.at]?.date ?? v.from)
  const aim = { low: v.aimLow, high: v.aimHigh }
  const p = paths(f.marks, f.levels, aim, place)
  const eases = painAt(v.painLine + 1)
  const high = effortAt(v.aimHigh, v.aimHigh) - STRIP.effort / 2
  const low = effortAt(v.aimLow, v.aimHigh) + STRIP.effort / 2
  return (
    <>
      <Away v={v} width={width} top={0} height={STRIP.base} />
      <rect x={PAD - 4} y={high} width={width - PAD} height={low - high} fill="#D8E8E8" />
      <line x1={PAD - 4} x2={width} y1={eases} y2={eases} stroke="#8b7f8c" strokeDasharray="4 3" />
      <line x1={PAD - 4} x2={width} y1={STRIP.base} y2={STRIP.base} stroke="#DED5C7" />
      {p.line && <path d={p.line + `H${width - PAD + 2}`} fill="none" stroke="#0E5A68" strokeWidth="2.4" />}
      <path d={p.during} fill="#6A4A68" />
      <path d={p.morning} fill="none" stroke="#6A4A68" strokeWidth="1.3" />
      <path d={p.unanswered} stroke="#5A6973" strokeWidth="1.6" />
      <path d={p.inside} fill="#1F2D36" />
      <path d={p.over} fill="#B8700F" />
      {labels(f.marks, f.levels, width, place).map((l) => (
        <text
          key={l.key}
          x={l.x}
          y={l.y}
          fontSize="11.5"
          fontWeight="600"
          textAnchor={l.end ? 'end' : 'start'}
          fill="#0E5A68"
          {...HALO}
        >
          {l.text}
        </text>
      ))}
    </>
  )
})

/** One family on true time: what was done, how hard, what it cost, one under the other. */
export function Strip({ f, v, width, places, ...eye }: Span & Eye & { f: S['FamilyRow']; places: number[] }) {
  const last = f.marks[f.marks.length - 1]
  const words = last ? said(last, held(f.marks).at(-1)) : ''
  return (
    <Plot
      label={`${f.family}: ${f.marks.length} sessions, the last ${words}. All of them are in the table (key t).`}
      height={STRIP.height}
      width={width}
      places={places}
      {...eye}
    >
      <Art f={f} v={v} width={width} />
    </Plot>
  )
}
