import { type AcademyFile, SHOT_BY_ITSELF } from '@calm-apron/contract'
import { type ShotFacts, unknownFacts } from '@calm-apron/core'
import { ACADEMY, PEOPLE } from './academy.ts'
import { demoId } from './ids.ts'
import { tenths } from './tenths.ts'

type DemoShot = AcademyFile['shots'][number]

/** One line of the demo's shot book; times in s from pump start, taste as sour, sweet, bitter. */
interface Line {
  who: number
  recipe: 1 | 2
  minutesAgo: number
  grind: number
  doseG: number
  firstDropS: number
  stopS: number
  cupG: number
  taste: [number, number, number] | null
  also?: Partial<ShotFacts>
}

const DAY = 24 * 60
const LINES: Line[] = [
  {
    who: 2,
    recipe: 1,
    minutesAgo: 2 * DAY + 140,
    grind: 16,
    doseG: 19.2,
    firstDropS: 6.1,
    stopS: 24.8,
    cupG: 40.2,
    taste: [6, 4, 3],
  },
  {
    who: 2,
    recipe: 1,
    minutesAgo: 2 * DAY + 128,
    grind: 16,
    doseG: 18.3,
    firstDropS: 5.2,
    stopS: 21.6,
    cupG: 39.4,
    taste: [7, 4, 2],
  },
  {
    who: 2,
    recipe: 1,
    minutesAgo: 2 * DAY + 116,
    grind: 14,
    doseG: 18.5,
    firstDropS: 7.0,
    stopS: 27.4,
    cupG: 38.6,
    taste: [4, 6, 3],
  },
  {
    who: 2,
    recipe: 1,
    minutesAgo: DAY + 95,
    grind: 14,
    doseG: 18.2,
    firstDropS: 7.4,
    stopS: 29.1,
    cupG: 43.2,
    taste: null,
  },
  {
    who: 2,
    recipe: 1,
    minutesAgo: DAY + 82,
    grind: 14,
    doseG: 18.4,
    firstDropS: 7.3,
    stopS: 28.9,
    cupG: 39.5,
    taste: [3, 7, 4],
  },
  {
    who: 3,
    recipe: 2,
    minutesAgo: DAY + 70,
    grind: 13,
    doseG: 17.5,
    firstDropS: 8.2,
    stopS: 26.4,
    cupG: 34.6,
    taste: [7, 3, 7],
    also: { look: { stream: 'spurting', puck: 'holes' }, bedEven: false },
  },
  {
    who: 3,
    recipe: 2,
    minutesAgo: DAY + 55,
    grind: 13,
    doseG: 17.6,
    firstDropS: 8.8,
    stopS: 32.0,
    cupG: 34.2,
    taste: [3, 6, 4],
  },
  {
    who: 3,
    recipe: 2,
    minutesAgo: 160,
    grind: 13,
    doseG: 17.7,
    firstDropS: 8.1,
    stopS: 27.9,
    cupG: 33.1,
    taste: [5, 5, 4],
    also: {
      tamp: { tilt: 'clear', lowSide: 'left', settled: true },
      look: { stream: 'one-sided', puck: 'thin-side' },
    },
  },
  {
    who: 4,
    recipe: 1,
    minutesAgo: 150,
    grind: 14,
    doseG: 17.3,
    firstDropS: 6.0,
    stopS: 24.2,
    cupG: 38.8,
    taste: [6, 4, 2],
  },
  {
    who: 4,
    recipe: 1,
    minutesAgo: 138,
    grind: 8,
    doseG: 18.4,
    firstDropS: 19.5,
    stopS: 60,
    cupG: 4.1,
    taste: null,
    also: { abandoned: 'choked', grinderPurged: true },
  },
  {
    who: 4,
    recipe: 1,
    minutesAgo: 125,
    grind: 14,
    doseG: 18.5,
    firstDropS: 7.1,
    stopS: 28.2,
    cupG: 39.1,
    taste: [3, 6, 3],
  },
]

/** The demo's shots, some minutes and days before `now`. */
export function demoShots(now: Date): DemoShot[] {
  return LINES.map((line, index) => ({
    shotId: demoId('shot', index + 1),
    personId: pick(PEOPLE, line.who - 1).personId,
    recipeRevisionId: demoId('recipe', line.recipe),
    barId: demoId('bar', 1),
    grinderId: demoId('grinder', 1),
    bagId: demoId('bag', 1),
    judgedBy: pick(PEOPLE, 0).personId,
    pulledAt: new Date(now.getTime() - line.minutesAgo * 60_000).toISOString(),
    ...SHOT_BY_ITSELF,
    focus: null,
    series: null,
    note: '',
    facts: factsOf(line),
  }))
}

/** The vessels that were on the scale, as they were weighed. */
const PORTAFILTER = { vesselId: demoId('vessel', 1), tareG: 586.4 }
const CUP = { vesselId: demoId('vessel', 4), tareG: 118.6 }

function factsOf(line: Line): ShotFacts {
  const [sour, sweet, bitter] = line.taste ?? [null, null, null]
  return {
    ...unknownFacts(),
    grindSetting: line.grind,
    machineHot: true,
    basketDry: true,
    dose: { by: 'gross', grossG: tenths(PORTAFILTER.tareG + line.doseG), ...PORTAFILTER },
    tamp: { tilt: 'level', lowSide: null, settled: true },
    clock: { firstDrop: 'marked', firstDropS: line.firstDropS, stopS: line.stopS, estimated: false },
    cup: { by: 'gross', grossG: tenths(CUP.tareG + line.cupG), ...CUP },
    taste: { sour, sweet, bitter, body: null, dryness: null },
    look: { stream: 'even', puck: 'even' },
    ...line.also,
  }
}

function pick<T>(list: readonly T[], index: number): T {
  const item = list[index]
  if (item === undefined) throw new RangeError(`${ACADEMY.name} has no record number ${index}`)
  return item
}
