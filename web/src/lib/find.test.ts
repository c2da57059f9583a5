import { readdirSync, readFileSync } from 'node:fs'
import { parse } from 'yaml'
import { describe, expect, it } from 'vitest'
import type { S } from './api'
import { findMovements, tokens } from './find'

type M = S['MovementView']

const FILES = '../catalogue/src/main/resources/catalogue/'

interface Doc {
  name: string
  purpose: string
  words: string[]
  movements: { id: string; name: string; position: string; difficulty: number; words?: string[] }[]
}

/** The catalogue as it ships, as far as finding reads it. */
const ALL: M[] = readdirSync(FILES)
  .filter((f) => f.endsWith('.yaml') && f !== 'figures.yaml')
  .map((f) => parse(readFileSync(FILES + f, 'utf8')) as Doc)
  .flatMap((f) =>
    f.movements.map(
      (m) =>
        ({
          ...m,
          words: m.words ?? [],
          familyName: f.name,
          familyWords: f.words,
          purpose: f.purpose,
          region: '',
          kit: [],
          demands: [],
          tasks: [],
        }) as unknown as M,
    ),
  )

/** What people type, and what must come first. */
const WANTED = `
deadlift: dumbbell-hinge
dead lift: dumbbell-hinge
Romanian deadlift: dumbbell-hinge
single leg deadlift: one-leg-reach
good morning: wall-hinge
bicep curl: curl
biceps curl: curl
seated bicep curl: seated-curl
curl: curl
hammer curl: hammer-curl
seated hammer curl: seated-hammer-curl
glute bridge: supine-bridge
hip thrust: feet-on-chair-bridge
bridge: supine-bridge
clam: side-lying-open
clamshell: side-lying-open
step up: step-up
step-up: step-up
step ups: step-up
stepup: step-up
weighted step up: step-up-load
row: seated-band-row
rows: seated-band-row
bent over row: hinged-row
one arm row: supported-row
face pull: high-elbow-band-pull
lat pulldown: band-pull-down
squat: squat
squats: squat
sumo squat: toes-out-squat
box squat: chair-tap
sit to stand: stand-chair
wall sit: wall-sit
lunge: reverse-lunge
side lunge: side-lunge
bulgarian split squat: rear-foot-raised
push up: floor-push-up
pushup: floor-push-up
press-ups: floor-push-up
knee push up: kneeling-push-up
wall press: wall-push-up
bench press: supine-dumbbell-press
chest fly: hug-fly
shoulder press: overhead-press
seated shoulder press: seated-press
lateral raise: side-raise
seated lateral raise: seated-side-raise
front raise: front-raise
tricep kickback: kick-back
tricep dip: chair-dip
skull crusher: supine-straighten
plank: forearm-plank
side plank: side-plank
crunch: curl-up
bird dog: opposite-arm-leg
dead bug: dead-bug
mountain climber: floor-climber
pallof press: band-anti-rotation
wood chop: chop
russian twist: seated-twist
calf raise: heel-raise-held
leg extension: seated-knee-extension
hamstring curl: heel-to-buttock-held
hip abduction: side-kick-held
flamingo: one-leg-stand
tandem: heel-to-toe
farmer's carry: carry-hold
jumping jack: hop-jack
march on the spot: march
march: march
hinged row: hinged-row
cat cow: cat-cow
figure four: crossed-leg-stretch
quad stretch: front-thigh-held
chin tuck: back-of-neck-long
exercise bike: stationary-bike
pursed lips: long-out-breath
`
  .trim()
  .split('\n')
  .map((l) => l.split(': ') as [string, string])

describe('finding a movement', () => {
  it.each(WANTED)('%s finds %s first', (typed, first) => {
    expect(findMovements(ALL, typed)[0]?.id).toBe(first)
  })

  it('finds rows before whatever else has row in its name', () => {
    const rows = findMovements(ALL, 'row').filter((m) => tokens(m.name).includes('row'))
    const pull = rows.map((m) => m.purpose === 'pull')
    expect(pull.filter(Boolean).length).toBeGreaterThan(8)
    expect(pull.indexOf(false)).toBeGreaterThan(pull.lastIndexOf(true))
    expect(rows.map((m) => m.id)).toContain('upright-row')
  })

  it('finds every movement by its own name and by each of its words', () => {
    for (const m of ALL) {
      expect(findMovements(ALL, m.name)[0]?.id, m.name).toBe(m.id)
      for (const w of m.words)
        expect(
          findMovements(ALL, w)
            .slice(0, 4)
            .map((x) => x.id),
          w,
        ).toContain(m.id)
    }
  })

  it('answers a word still being typed, in any order, and nothing to nothing', () => {
    expect(findMovements(ALL, 'row band sea')[0]?.id).toBe('seated-band-row')
    expect(findMovements(ALL, 'seated hamm')[0]?.id).toBe('seated-hammer-curl')
    expect(findMovements(ALL, ' ')).toEqual([])
    expect(findMovements(ALL, 'zzz')).toEqual([])
  })

  it('leaves out what is not wanted', () => {
    const kneel = { demands: ['floor', 'kneeling'] }
    const all = ALL.map((m) => (m.id === 'kneeling-push-up' ? { ...m, ...kneel } : m))
    const ids = (t: string) => findMovements(all, t).map((m) => m.id)
    expect(ids('push up')).toContain('kneeling-push-up')
    expect(ids('push up no kneeling')).not.toContain('kneeling-push-up')
    expect(ids('no kneeling')).not.toContain('kneeling-push-up')
  })
})
