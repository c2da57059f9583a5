import {
  CartesianGrid,
  ComposedChart,
  Legend,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import type { S } from '../../lib/api'
import { day } from '../../lib/format'

const TEAL = '#0E5A68'
const INK = '#1F2D36'
const PLUM = '#6A4A68'
const OCHRE = '#B8700F'
const DAY_MS = 86_400_000

type Point = S['SessionPoint']

/** A figure over true time. */
interface Series {
  key: string
  name: string
  of: (p: Point) => number | undefined
  colour: string
  dashed?: boolean
  /** Points alone, without a line between them. */
  dots?: boolean
}

function Chart({
  title,
  note,
  points,
  series,
  unit,
  from,
  to,
  band,
  line,
}: {
  title: string
  note: string
  points: Point[]
  series: Series[]
  unit: string
  from?: number
  to?: number
  band?: [number, number]
  line?: number
}) {
  const rows = points.map((p) => ({
    at: Date.parse(p.date + 'T00:00:00Z'),
    ...Object.fromEntries(series.map((s) => [s.key, s.of(p)])),
  }))
  const told = series.some((s) => points.some((p) => s.of(p) !== undefined))
  if (!told) return null
  const first = rows[0]?.at ?? 0
  const last = rows[rows.length - 1]?.at ?? first
  return (
    <figure className="min-w-0">
      <figcaption>
        <h2 className="font-bold">{title}</h2>
        <p className="text-[13px] text-soft">{note}</p>
      </figcaption>
      <div role="img" aria-label={`${title}; the same figures are in the table below`} className="h-52">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={rows} margin={{ top: 8, right: 12, bottom: 0, left: -18 }}>
            <CartesianGrid stroke="#EFE8DC" vertical={false} />
            {band && <ReferenceArea y1={band[0]} y2={band[1]} fill="#D8E8E8" fillOpacity={1} />}
            {line !== undefined && <ReferenceLine y={line} stroke="#8b7f8c" strokeDasharray="4 3" />}
            <XAxis
              dataKey="at"
              type="number"
              scale="time"
              domain={[first - DAY_MS, last + DAY_MS]}
              tickFormatter={(t: number) => day(new Date(t).toISOString())}
              tick={{ fontSize: 12, fill: '#5A6973' }}
              minTickGap={36}
            />
            <YAxis
              domain={[from ?? 'auto', to ?? 'auto']}
              allowDecimals={false}
              tick={{ fontSize: 12, fill: '#5A6973' }}
            />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(t) => day(new Date(Number(t)).toISOString())}
              formatter={(v) => `${String(v)}${unit}`}
            />
            {series.length > 1 && <Legend wrapperStyle={{ fontSize: 13 }} iconSize={10} />}
            {series.map((s) =>
              s.dots ? (
                <Scatter
                  key={s.key}
                  dataKey={s.key}
                  name={s.name}
                  fill={s.colour}
                  isAnimationActive={false}
                />
              ) : (
                <Line
                  key={s.key}
                  dataKey={s.key}
                  name={s.name}
                  stroke={s.colour}
                  strokeWidth={2}
                  strokeDasharray={s.dashed ? '5 4' : undefined}
                  dot={{ r: 2.5, fill: s.colour, strokeDasharray: '' }}
                  connectNulls
                  isAnimationActive={false}
                />
              ),
            )}
          </ComposedChart>
        </ResponsiveContainer>
      </div>
    </figure>
  )
}

/** The figures of a family, one over the other in time; what was never told has no chart. */
export function Charts({ v }: { v: S['FamilyView'] }) {
  const p = v.points
  const same = p.filter((x) => x.same)
  const parts = p.some((x) => x.first !== undefined || x.later !== undefined || x.after !== undefined)
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
      <Chart
        title="Effort at the same load"
        note={`0 to 10, ${same.length} sessions of the form, weight and count of the newest; band: aimed for`}
        points={same}
        unit=" of 10"
        from={0}
        to={10}
        band={[v.aimLow, v.aimHigh]}
        series={[{ key: 'effort', name: 'effort', of: (x) => x.effort, colour: INK }]}
      />
      <Chart
        title="What it cost"
        note={`pain 0 to 10; dashed line: from ${v.painLine + 1} on it eases`}
        points={p}
        unit=" of 10"
        from={0}
        to={10}
        line={v.painLine + 1}
        series={[
          { key: 'pain', name: 'during', of: (x) => x.pain, colour: PLUM },
          { key: 'morning', name: 'next morning', of: (x) => x.morning, colour: OCHRE, dashed: true },
        ]}
      />
      <Chart
        title="Asked against done"
        note="repetitions or seconds of the last set"
        points={p}
        unit=""
        from={0}
        series={[
          { key: 'asked', name: 'asked', of: (x) => x.asked, colour: TEAL, dashed: true },
          { key: 'done', name: 'done', of: (x) => x.done, colour: INK },
        ]}
      />
      <Chart
        title="Left against right"
        note="repetitions or seconds of the last set of each side"
        points={p}
        unit=""
        from={0}
        series={[
          { key: 'left', name: 'left', of: (x) => x.leftDone, colour: TEAL },
          { key: 'right', name: 'right', of: (x) => x.rightDone, colour: OCHRE, dashed: true },
        ]}
      />
      <Chart
        title="Pulse at the same work"
        note="median at the work, beats a minute, sessions of the form, weight and count of the newest"
        points={same}
        unit=" bpm"
        series={[{ key: 'pulse', name: 'pulse', of: (x) => x.pulse, colour: INK }]}
      />
      {parts && (
        <Chart
          title="Pain that warms up and returns"
          note="at the first repetitions, later, and once it was done; 0 to 10"
          points={p}
          unit=" of 10"
          from={0}
          to={10}
          series={[
            { key: 'first', name: 'first', of: (x) => x.first, colour: PLUM },
            { key: 'later', name: 'later', of: (x) => x.later, colour: TEAL, dashed: true },
            { key: 'after', name: 'afterwards', of: (x) => x.after, colour: OCHRE },
          ]}
        />
      )}
    </div>
  )
}
