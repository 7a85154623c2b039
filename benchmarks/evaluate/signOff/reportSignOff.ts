import { READING_KINDS, judgeSet, openParts, termsFor } from '@calm-apron/core'
import { seeded } from '@calm-apron/core/bench'
import { type Career, PROGRAMME, type Terms, careerOf, pulledSet, tastedByTwo } from './career.ts'
import { MIX, type Trainee } from './trainee.ts'

const [TRAINEES, ON_CURVE, DRIFTED] = [500, 80, 500]
const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const shareOf = <T>(all: readonly T[], holds: (one: T) => boolean) =>
  all.length === 0 ? 0 : all.filter(holds).length / all.length

const RUN_AND_SET: Terms = { programme: PROGRAMME, byRun: true, hasReferences: true, drifts: 0.15, sets: 2 }

/** Of the stated mix, the same people for each way of doing it. */
function careers(terms: Terms, firstSeed: number): Career[] {
  const chance = seeded(firstSeed)
  const people: Trainee[] = MIX.flatMap(({ share, make }) =>
    Array.from({ length: Math.round(share * TRAINEES) }, () => make(chance)),
  )
  return people.map((trainee, at) => careerOf(trainee, terms, firstSeed + 1 + at))
}

const lowest = ({ truly }: Career) => Math.min(...READING_KINDS.map((kind) => truly[kind]))
const isSigned = ({ signedIn }: Career) => signedIn !== null

function printMix(name: string, terms: Terms, firstSeed: number): void {
  const all = careers(terms, firstSeed)
  const signed = all.filter(isSigned)
  const good = all.filter((each) => lowest(each) >= 0.95)
  const { readyFrom } = PROGRAMME.run
  console.log(`  ${name}: ${percent(shareOf(all, isSigned))} of all are signed within ${terms.sets} sets`)
  console.log(
    `    of those signed, a judged reading truly below 0.6: ${percent(shareOf(signed, (each) => lowest(each) < 0.6))} (goal: 3 % at most); below the boundary of ${readyFrom}: ${percent(shareOf(signed, (each) => lowest(each) < readyFrom))} (goal: 10 % at most)`,
  )
  console.log(
    `    truly on in 0.95 or more everywhere: ${percent(shareOf(good, isSigned))} are signed (goal: 90 %)`,
  )
  const kinds = [...new Set(all.map(({ trainee }) => trainee.kind))]
  const each = kinds.map((kind) => {
    const of = all.filter(({ trainee }) => trainee.kind === kind)
    return `${kind} ${percent(shareOf(of, isSigned))}`
  })
  console.log(`    signed of each kind: ${each.join(', ')}`)
}

/** Somebody who is on as often in every reading, but for one where that is said. */
function uniform(share: number, weak: number | null): Trainee {
  const truly = { dose: share, tamp: share, yield: weak ?? share, time: share, taste: share }
  return { kind: '', ability: () => truly, callsRight: 0.9, leavesOut: 0.002 }
}

function printCurve(name: string, terms: Terms, firstSeed: number, of: (share: number) => Trainee): void {
  const shares = [0.5, 0.6, 0.72, 0.8, 0.9, 0.95, 0.98]
  const signed = shares.map((share, index) => {
    const all = Array.from({ length: ON_CURVE }, (_each, at) =>
      careerOf(of(share), terms, firstSeed + 10_000 * index + at),
    )
    return `${share}: ${percent(shareOf(all, isSigned))}`
  })
  console.log(`    ${name}: ${signed.join(', ')}`)
}

/** What of sets during which the bar drifted off would be laid at the door of somebody who is on in 0.96 of shots. */
function printDrift(hasReferences: boolean, firstSeed: number): void {
  const terms = { ...RUN_AND_SET, hasReferences, drifts: 1 }
  const results = Array.from({ length: DRIFTED }, (_each, at) => {
    const shots = pulledSet(uniform(0.96, null), 0, 1, terms, seeded(firstSeed + at))
    return judgeSet(shots, 'trainee', PROGRAMME, { cups: tastedByTwo(shots), parts: ['time'] })[0]?.result
  })
  const share = (result: string) => percent(shareOf(results, (each) => each === result))
  console.log(
    `    ${hasReferences ? 'with' : 'without'} references: their time is held against them in ${share('not-yet')}, pulled again in ${share('again')}`,
  )
}

/** How often two shots confirm a sign-off, by how often whoever pulls them is truly on. */
function printLook(name: string, of: (share: number) => Trainee, firstSeed: number): void {
  const programme = termsFor(PROGRAMME, { isLook: true })
  const confirmed = [0.96, 0.85, 0.72, 0.5].map((share, index) => {
    const looks = Array.from({ length: DRIFTED }, (_each, at) => {
      const chance = seeded(firstSeed + 10_000 * index + at)
      const shots = pulledSet(of(share), 0, 1, { ...RUN_AND_SET, programme }, chance)
      const parts = judgeSet(shots, 'trainee', programme, { cups: tastedByTwo(shots) })
      return { isOff: parts.some(({ result }) => result === 'not-yet'), isOpen: openParts(parts).length > 0 }
    })
    const found = percent(shareOf(looks, ({ isOpen }) => !isOpen))
    return `${share}: ${found} (held against them: ${percent(shareOf(looks, ({ isOff }) => isOff))})`
  })
  console.log(`    ${name}: ${confirmed.join(', ')}`)
}

/** Prints whom run and set let through and hold back, beside what a set alone does. */
export function reportSignOff(firstSeed: number): void {
  console.log(
    `\nSign-off, ${TRAINEES} trainees of known ability: they practise, are presented by the rule, and pull sets by the real code; the bar drifts in ${percent(RUN_AND_SET.drifts)} of sets`,
  )
  printMix('run and set', RUN_AND_SET, firstSeed)
  printMix('run and set, as often as wanted', { ...RUN_AND_SET, sets: 6 }, firstSeed)
  printMix('the set alone', { ...RUN_AND_SET, byRun: false }, firstSeed)
  printMix('run and set, without references', { ...RUN_AND_SET, hasReferences: false }, firstSeed)
  console.log('  somebody on in 0.96 of shots, whose bar drifts off during the set')
  printDrift(true, firstSeed + 600_000)
  printDrift(false, firstSeed + 600_000)
  const fair = { ...RUN_AND_SET, drifts: 0 }
  console.log('  signed by how often they are truly on, a fair bar')
  printCurve('in every reading, run and set', fair, firstSeed + 200_000, (share) => uniform(share, null))
  printCurve('in one reading, else in 0.96, run and set', fair, firstSeed + 300_000, (share) =>
    uniform(0.96, share),
  )
  printCurve(
    'in every reading, one set alone',
    { ...fair, byRun: false, sets: 1 },
    firstSeed + 400_000,
    (share) => uniform(share, null),
  )
  printCurve(
    'in one reading, else in 0.96, one set alone',
    { ...fair, byRun: false, sets: 1 },
    firstSeed + 500_000,
    (share) => uniform(0.96, share),
  )
  console.log('  confirmed by the two shots of a look, by how often they are truly on')
  printLook('in every reading', (share) => uniform(share, null), firstSeed + 700_000)
  printLook('in one reading, else in 0.96', (share) => uniform(0.96, share), firstSeed + 800_000)
}
