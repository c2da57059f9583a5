import { memo } from 'react'
import type { S } from '../../lib/api'
import { day } from '../../lib/format'
import { Away, Plot } from './Strip'
import { PAD, across } from './scale'

const BASE = 62
const TALL = 44
const HEIGHT = 78
const BAR = 6
const FEW = 2
const GAP = 74

/** The days written under the bars: the first, the last, and some between that do not run together. */
function dates(v: S['ToleranceView'], x: (iso: string) => number, width: number) {
  const shown: { date: string; x: number; end: boolean }[] = []
  let free = -Infinity
  for (const s of v.list) {
    const here = x(s.date)
    if (here < free || here > width - GAP - GAP) continue
    shown.push({ date: s.date, x: here, end: false })
    free = here + GAP + GAP
  }
  shown.push({ date: v.today, x: width - PAD, end: true })
  return shown
}

const Art = memo(function Art({ v, width }: { v: S['ToleranceView']; width: number }) {
  const x = across(v.from, v.today, width)
  const most = Math.max(1, ...v.list.map((s) => s.load ?? 0))
  const tall = (load: number) => (load / most) * TALL
  let whole = ''
  let stopped = ''
  let unknown = ''
  for (const s of v.list) {
    const left = x(s.date) - BAR / FEW
    if (s.load === undefined) unknown += `M${left} ${BASE - 1}h${BAR}`
    else {
      const bar = `M${left} ${BASE}v${-tall(s.load)}h${BAR}v${tall(s.load)}z`
      if (s.how === 'STOPPED') stopped += bar
      else whole += bar
    }
  }
  return (
    <>
      <Away v={v} width={width} top={14} height={BASE - 14} words />
      <line x1={PAD - 4} x2={width} y1={BASE} y2={BASE} stroke="#DED5C7" />
      <path d={whole} fill="#0E5A68" fillOpacity="0.85" />
      <path d={stopped} fill="#9E2F1D" />
      <path d={unknown} stroke="#5A6973" strokeWidth="2" />
      <text x={PAD - 4} y={10} fontSize="11" fill="#5A6973">
        session load, effort × minutes; tallest {most}
      </text>
      {dates(v, x, width).map((d) => (
        <text
          key={d.date + String(d.end)}
          x={d.x}
          y={HEIGHT - 3}
          fontSize="11"
          textAnchor={d.end ? 'end' : 'start'}
          fill="#5A6973"
        >
          {d.end ? `today, ${day(d.date)}` : day(d.date)}
        </text>
      ))}
    </>
  )
})

/** All sessions on top: how much each was. */
export function Sessions({
  v,
  width,
  ...eye
}: {
  v: S['ToleranceView']
  width: number
  places: number[]
  eye: number | null
  look: (at: number | null) => void
  open: (at: number) => void
}) {
  return (
    <Plot
      label={`${v.list.length} sessions with their load; all of them are in the table (key t).`}
      height={HEIGHT}
      width={width}
      {...eye}
    >
      <Art v={v} width={width} />
    </Plot>
  )
}
