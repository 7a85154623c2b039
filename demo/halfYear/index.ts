import { type AcademyFile, type FileThing, SHOT_BY_ITSELF } from '@calm-apron/contract'
import { type ShotFacts, TILTS, type Tilt, noNotes, unknownFacts } from '@calm-apron/core'
import { CAREFUL_SHOT, EXAMPLE_BENCH, type Seeded, seeded, simulateShot } from '@calm-apron/core/bench'
import { PEOPLE } from '../academy.ts'
import { demoId } from '../ids.ts'
import { HANDS, type Hands } from './hands.ts'

type DemoShot = AcademyFile['shots'][number]

const [MS_PER_DAY, MS_PER_MINUTE] = [86_400_000, 60_000]
/** Each comes twice a week, and pulls so many, four minutes apart. */
const [SESSIONS_A_WEEK, SHOTS_A_SESSION, MINUTES_APART] = [2, 8, 4]
/** The rooms open at ten, an hour behind. */
const OPENS_AT_MS = 11 * 60 * MS_PER_MINUTE
/** What was pulled since is the demo's own shot book. */
const UNTIL_DAYS_AGO = 3
/** The recipe that all learn by, and where its time lies in the middle of its window. */
const [DOSE_G, YIELD_G, RIGHT_SETTING, WINDOW_S] = [18.4, 39, 15.5, [26, 32]] as const
/** A kilo of beans, less what is purged. */
const SHOTS_A_BAG = 52
/** Numbers from here on are the half-year's own. */
const FROM_NO = 1000
const SEED = 4180

/** A shot as it was made, before anybody wrote it down. */
interface Pulled {
  hands: Hands
  /** How many they had pulled before. */
  before: number
  atMs: number
  judge: number
}

/** Half a year of eight who learn, by simulation from a seed, up to three days before `now`; and the bags it took. */
export function halfYear(now: Date): { shots: DemoShot[]; bags: FileThing[] } {
  const chance = seeded(SEED)
  const pulled = HANDS.flatMap((hands) => sessionsOf(hands, now.getTime())).sort((a, b) => a.atMs - b.atMs)
  const grind = new Map<number, number>()
  const shots = pulled.map((each, index) => {
    const setting = each.hands.overCorrects ? (grind.get(each.hands.who) ?? RIGHT_SETTING) : RIGHT_SETTING
    const facts = factsOf(each, setting, chance, now)
    if (each.hands.overCorrects) grind.set(each.hands.who, corrected(setting, facts, chance))
    return shotOf(each, index, facts)
  })
  return { shots, bags: bagsOf(shots) }
}

/** On which days of the week somebody comes follows from who they are. */
function sessionsOf(hands: Hands, nowMs: number): Pulled[] {
  const sessions = Math.round((hands.weeks.from - hands.weeks.until) * SESSIONS_A_WEEK) || 1
  const all: Pulled[] = []
  for (let session = 0; session < sessions; session += 1) {
    const daysAgo = hands.weeks.until * 7 + ((sessions - 1 - session) * 7) / SESSIONS_A_WEEK + UNTIL_DAYS_AGO
    const day = Math.floor(nowMs / MS_PER_DAY) - Math.round(daysAgo)
    const begunMs = day * MS_PER_DAY + OPENS_AT_MS + hands.who * 40 * MS_PER_MINUTE
    for (let shot = 0; shot < SHOTS_A_SESSION; shot += 1)
      all.push({
        hands,
        before: all.length,
        atMs: begunMs + shot * MINUTES_APART * MS_PER_MINUTE,
        judge: session % 3 === 2 ? 7 : 1,
      })
  }
  return all
}

function factsOf({ hands, before, atMs }: Pulled, setting: number, chance: Seeded, now: Date): ShotFacts {
  const worse = 1 + hands.worseAtFirst * 2 ** (-before / hands.halvedAfter)
  const weeksAgo = (now.getTime() - atMs) / MS_PER_DAY / 7
  const slipG =
    hands.slips !== null && weeksAgo < hands.slips.weeks + UNTIL_DAYS_AGO / 7 ? hands.slips.byG : 0
  const doseG = tenths(DOSE_G + hands.doseBiasG + slipG + chance.normal(0, hands.doseSdG * worse))
  const tilt: Tilt = chance.chance(Math.min(0.6, hands.tilted * worse)) ? chance.pick(TILTED) : 'level'
  const cupG = tenths(YIELD_G + hands.yieldBiasG + chance.normal(0, hands.yieldSdG * worse))
  const { firstDropS, stopS, cup } = made(setting, doseG, tilt)
  // It is stopped where they stop it, at the flow that the shot had.
  const flowingS = ((stopS - firstDropS) * cupG) / YIELD_G
  const tasted = chance.chance(0.6)
  const point = (value: number) =>
    tasted ? Math.min(10, Math.max(0, Math.round(value + chance.normal(0, 0.6)))) : null
  return {
    ...unknownFacts(),
    grindSetting: setting,
    grinderPurged: true,
    machineHot: true,
    basketDry: true,
    basketClean: true,
    dose: { by: 'net', netG: doseG },
    tamp: { tilt, lowSide: null, settled: true },
    clock: {
      firstDrop: 'marked',
      firstDropS: tenths(firstDropS + chance.normal(0, 0.3)),
      stopS: tenths(firstDropS + flowingS + chance.normal(0, 0.5)),
      estimated: false,
    },
    cup: { by: 'net', netG: cupG },
    taste: {
      sour: point(cup.sour),
      sweet: point(cup.sweet),
      bitter: point(cup.bitter),
      body: null,
      dryness: null,
    },
    look: { stream: tilt === 'clear' ? 'one-sided' : 'even', puck: tilt === 'clear' ? 'thin-side' : 'even' },
    noted: { ...noNotes(), isHelped: isHelped(before), ...stepsSeen(worse, chance) },
  }
}

const TILTED = ['slight', 'clear'] as const satisfies readonly (typeof TILTS)[number][]

/** The tool helped at first, then every other time, then no more. */
function isHelped(before: number): boolean {
  return before < 3 || (before < 9 && before % 2 === 1)
}

/** Every third shot somebody watches the steps. */
function stepsSeen(worse: number, chance: Seeded) {
  if (!chance.chance(1 / 3)) return {}
  const isLeftOut = chance.chance(0.05 * worse)
  const done = ['wipe-basket', 'flush', 'tamp', 'lock-in'] as const
  return isLeftOut
    ? { stepsDone: [...done], stepsPrompted: ['wipe-rim' as const] }
    : { stepsDone: [...done, 'wipe-rim' as const] }
}

/** Each shot of its kind is simulated once: half a year is made in two seconds. */
const known = new Map<
  string,
  { firstDropS: number; stopS: number; cup: ReturnType<typeof simulateShot>['cup'] }
>()

function made(setting: number, doseG: number, tilt: Tilt) {
  const near = Math.round(doseG * 5) / 5
  const key = [setting, near, tilt].join(' ')
  const found = known.get(key)
  if (found) return found
  const done = { ...CAREFUL_SHOT, setting, doseG: near, tilt, stopAtG: YIELD_G, stopAtS: 75 }
  const { firstDropS, stopS, cup } = simulateShot(EXAMPLE_BENCH, done)
  const shot = { firstDropS: firstDropS ?? stopS, stopS, cup }
  known.set(key, shot)
  return shot
}

/** Whoever overdoes it moves three for every miss. */
function corrected(setting: number, { clock }: ShotFacts, chance: Seeded): number {
  const stopS = clock?.stopS ?? 0
  const by = stopS < WINDOW_S[0] ? -3 : stopS > WINDOW_S[1] ? 3 : chance.pick([-1, 0, 0, 1])
  return Math.min(20, Math.max(11, setting + by))
}

function shotOf({ hands, atMs, judge }: Pulled, index: number, facts: ShotFacts): DemoShot {
  return {
    shotId: demoId('shot', FROM_NO + index),
    personId: personNo(hands.who),
    recipeRevisionId: demoId('recipe', 1),
    barId: demoId('bar', 1),
    grinderId: demoId('grinder', 1),
    bagId: demoId('bag', FROM_NO + Math.floor(index / SHOTS_A_BAG)),
    judgedBy: personNo(judge),
    pulledAt: new Date(atMs).toISOString(),
    ...SHOT_BY_ITSELF,
    grindOwner: hands.overCorrects ? 'trainee' : 'trainer',
    focus: null,
    series: null,
    note: '',
    facts,
  }
}

function personNo(number: number): string {
  const found = PEOPLE.find(({ personId }) => personId === demoId('person', number))
  if (found === undefined) throw new RangeError(`The demo has no person number ${number}`)
  return found.personId
}

/** Every bag that was emptied meanwhile: roasted nine days before it was opened, finished with its last shot. */
function bagsOf(shots: readonly DemoShot[]): FileThing[] {
  const ids = [...new Set(shots.flatMap(({ bagId }) => bagId ?? []))]
  return ids.map((bagId, index): FileThing => {
    const its = shots.filter((shot) => shot.bagId === bagId).map(({ pulledAt }) => Date.parse(pulledAt))
    const date = (ms: number) => new Date(ms).toISOString().slice(0, 10)
    const openedMs = Math.min(...its)
    return {
      preparedId: bagId,
      thing: {
        kind: 'bag',
        parentId: demoId('coffee', 1),
        content: {
          name: `Bag ${index + 101}`,
          roastedOn: date(openedMs - 9 * MS_PER_DAY),
          bestBefore: null,
          openedOn: date(openedMs),
          finishedOn: date(Math.max(...its)),
          keptIn: 'hopper',
          frozenOn: null,
          thawedOn: null,
          bagG: 1000,
          weighed: null,
        },
      },
    }
  })
}

function tenths(value: number): number {
  return Math.round(value * 10) / 10
}
