import { type ShotFacts, diagnose, readShot, unknownFacts } from '@calm-apron/core'
import { PUMP_RECIPE, bankShot, carefulShot, taste } from '@calm-apron/core/testing'
import { moveCode } from './moveCode.ts'

const TASTES = {
  sour: taste(7, 4, 2),
  balanced: taste(3, 7, 3),
  bitter: taste(2, 4, 7),
  both: taste(7, 3, 7),
  untasted: unknownFacts().taste,
} as const
const CHECKS = {
  'all checked': (facts: ShotFacts) => facts,
  'nothing checked': ({ clock, cup, taste: tasted }: ShotFacts) => ({
    ...unknownFacts(),
    clock,
    cup,
    taste: tasted,
  }),
} as const
const [FROM_S, TO_S] = [5, 75]
/** The first drop comes after about a quarter of a shot’s time. */
const FIRST_DROP_SHARE = 0.25

interface Row {
  fromS: number
  toS: number
  says: string
}

const words = (code: string) => code.replaceAll('-', ' ').replace(':', ': ')

function saidAt(stopS: number, tasted: ShotFacts['taste'], check: (facts: ShotFacts) => ShotFacts): string {
  const firstDropS = Math.round(10 * FIRST_DROP_SHARE * stopS) / 10
  const facts = check(carefulShot({ firstDropS, stopS }, { taste: tasted, grindSetting: null }))
  const { heading, named, move } = diagnose(readShot(facts, PUMP_RECIPE), { setting: null, grinder: null })
  const joined = named.causes.map(words).join(named.as === 'either' ? ' or ' : ' and ')
  return `${words(heading)} | ${joined === '' ? '–' : joined} | ${words(moveCode(move))}`
}

function rowsOf(tasted: ShotFacts['taste'], check: (facts: ShotFacts) => ShotFacts): Row[] {
  const rows: Row[] = []
  for (let s = FROM_S; s <= TO_S; s += 1) {
    const says = saidAt(s, tasted, check)
    const last = rows.at(-1)
    if (last?.says === says) last.toS = s
    else rows.push({ fromS: s, toS: s, says })
  }
  return rows
}

/** Every second from 5 to 75, tasted each way and not at all, all checked and nothing: what is said, as a page. */
export function judgementTables(): string {
  const parts = Object.entries(CHECKS).flatMap(([checked, check]) =>
    Object.entries(TASTES).map(([tasted, values]) => {
      const rows = rowsOf(values, check).map(
        ({ fromS, toS, says }) => `| ${fromS === toS ? fromS : `${fromS}–${toS}`} s | ${says} |`,
      )
      const title = `## ${tasted.charAt(0).toUpperCase()}${tasted.slice(1)}, ${checked}`
      return [title, '', '| time | heading | named | move |', '| --- | --- | --- | --- |', ...rows, ''].join(
        '\n',
      )
    }),
  )
  return `${INTRODUCTION}\n${parts.join('\n')}`
}

const INTRODUCTION = `# What is said, second by second

18 g for 36 g in 25–31 s on the pump's clock, 36 g in the cup, the first drop after a quarter of the time; tasted by a
trainer as sour (7, sweet 4, bitter 2), balanced (3, 7, 3), bitter (2, 4, 7), both (7, 3, 7), or not at all. Neighbours
that say the same are one row. Written by \`npm run evaluate write\`, and compared by the tests.
`

const FROZEN = 200

/** Two hundred shots of the bank with what is said of each, a line apiece, so that a change of the rules is seen. */
export function frozenStatements(): string {
  const lines = Array.from({ length: FROZEN }, (_, seed) => {
    const shot = bankShot(seed)
    const { heading, named, move, grindTo, hold, pressureCaution } = diagnose(
      readShot(shot.facts, shot.recipe, shot.context),
      shot.grind,
    )
    const setting = grindTo === null ? '' : ` to ${grindTo.toSetting}`
    const joined = `${named.as} ${named.causes.join(' + ')}`.trim()
    return `${seed}: ${heading}; ${joined}; ${moveCode(move)}${setting}; keep ${hold.join(' ')}${pressureCaution === null ? '' : `; careful: ${pressureCaution}`}`
  })
  return `${lines.join('\n')}\n`
}
