import {
  type Bench,
  CAREFUL_SHOT,
  EXAMPLE_BENCH,
  type ShotDone,
  diameterAt,
  simulateShot,
} from '@calm-apron/core/bench'

const { coffee } = EXAMPLE_BENCH
const pull = (done: Partial<ShotDone> = {}, bench: Partial<Bench> = {}) =>
  simulateShot({ ...EXAMPLE_BENCH, ...bench }, { ...CAREFUL_SHOT, ...done })
type Pulled = ReturnType<typeof pull>

const s = (value: number | null) => (value === null ? '–' : value.toFixed(1))
const percent = (value: number) => `${(100 * value).toFixed(0)} %`

/** Solids in what runs into the cup at one moment, in % of it. */
function strengthAt(fromS: number): number {
  const [before, after] = [pull({ stopAtS: fromS }), pull({ stopAtS: fromS + 1 })]
  const solids = (each: Pulled) => (each.tdsPercent * each.cupG) / 100
  return (100 * (solids(after) - solids(before))) / (after.cupG - before.cupG)
}

/** What is looked at, what the bench says, and what is published or usual. */
function figures(): [string, string, string][] {
  const plain = pull()
  const flow = (shot: Pulled) => shot.cupG / (shot.stopS - (shot.firstDropS ?? 0))
  const ratio = (shot: Pulled) => shot.stopS / plain.stopS
  const perTenth = Math.log(pull({ doseG: 18.5 }).stopS / plain.stopS) / 5
  const finer = pull({ setting: 12 })
  const lnDiameter = Math.log(diameterAt(EXAMPLE_BENCH, 14) / diameterAt(EXAMPLE_BENCH, 12))
  const cold = pull({ offC: -10 })
  const choke = pull({ setting: 0, doseG: 18.6, stopAtS: 60 })
  const drop = plain.firstDropS ?? 0
  return [
    ['18 g to 36 g takes', `${s(plain.stopS)} s`, '25–30 s'],
    ['first drop', `${s(plain.firstDropS)} s`, '5–10 s'],
    ['mean flow', `${flow(plain).toFixed(2)} g/s`, '1.5–2 g/s'],
    ['extraction', `${plain.extractionPercent.toFixed(1)} %`, '18–22 %'],
    ['strength in the cup', `${plain.tdsPercent.toFixed(1)} %`, '8–12 %'],
    [
      'strength of the stream 0, 8, 16 s after the first drop',
      [0, 8, 16].map((after) => strengthAt(drop + after).toFixed(0)).join(', ') + ' %',
      'strongest at first, then falls all the way',
    ],
    ['0.1 g more', `${(100 * perTenth).toFixed(1)} % slower`, 'about 2 %'],
    [
      'diameter 7 % smaller (two settings)',
      `${(Math.log(finer.stopS / plain.stopS) / lnDiameter).toFixed(1)} % of time for each % of diameter`,
      '2 % by the bed alone; more with fines',
    ],
    ['finest setting, 60 s', `${s(choke.cupG)} g, first drop ${s(choke.firstDropS)} s`, 'drips: 0–10 g'],
    [
      'ten degrees colder',
      `${percent(ratio(cold) - 1)} slower, extraction ${(cold.extractionPercent - plain.extractionPercent).toFixed(1)} points`,
      '10–12 % slower by viscosity; 1–2 points less',
    ],
    ['not tamped', `${percent(1 - ratio(pull({ pressed: 0 })))} faster`, 'fast, sour, messy'],
    [
      'pressed twice as far',
      `${percent(ratio(pull({ pressed: 2 })) - 1)} slower`,
      'little: the bed has settled',
    ],
    ['clear tilt', `${percent(1 - ratio(pull({ tilt: 'clear' })))} faster`, '10–30 % faster'],
    ['clumps', `${percent(1 - ratio(pull({ unevenness: 0.8 })))} faster`, '10–30 % faster'],
    ['slight tilt: first drop', `${s(pull({ tilt: 'slight' }).firstDropS)} s`, 'as without'],
    [
      'the day after roasting',
      `${percent(ratio(pull({}, { coffee: { ...coffee, gas: 1 } })) - 1)} slower`,
      'slower, unsteady at first',
    ],
  ]
}

const SHAPES: Record<string, [Partial<ShotDone>, Partial<Bench>]> = {
  plain: [{}, {}],
  'much too coarse': [{ setting: 24 }, {}],
  'two moves too fine': [{ setting: 9 }, {}],
  choke: [{ setting: 0, doseG: 18.6 }, {}],
  'clear tilt': [{ tilt: 'clear' }, {}],
  'not tamped': [{ pressed: 0 }, {}],
  clumps: [{ unevenness: 0.8 }, {}],
  'day after roasting': [{}, { coffee: { ...coffee, gas: 1 } }],
  stale: [{}, { coffee: { ...coffee, gas: 0.1, staleness: 0.8 } }],
  lever: [{}, { spring: { startBar: 9.5, endBar: 4, strokeG: 65 }, preinfusionS: 6, preinfusionBar: 1.5 }],
}
const AT_S = [4, 8, 12, 16, 20, 24, 28] as const

/** Prints the bench's figures beside what is published or usual, and the flow of some shots second by second. */
export function reportBench(): void {
  console.log('\nThe simulated bench, careful hands on the example bench unless said otherwise')
  for (const [what, here, usual] of figures()) console.log(`  ${what.padEnd(56)} ${here.padEnd(46)} ${usual}`)
  console.log(
    `\n  g/s at                ${AT_S.map((at) => `${at} s`.padStart(6)).join('')}    stop    g   sour sweet bitter`,
  )
  for (const [name, [done, bench]] of Object.entries(SHAPES)) {
    const shot = pull({ stopAtS: 60, ...done }, bench)
    const flows = AT_S.map((at) => shot.samples[at * 10 - 1]?.flowGPerS.toFixed(1) ?? '')
    const { sour, sweet, bitter } = shot.cup
    const cup = [sour, sweet, bitter].map((axis) => axis.toFixed(1).padStart(6)).join('')
    console.log(
      `  ${name.padEnd(20)} ${flows.map((flow) => flow.padStart(6)).join('')}  ${s(shot.stopS).padStart(5)} ${s(shot.cupG).padStart(5)}${cup}`,
    )
  }
}
