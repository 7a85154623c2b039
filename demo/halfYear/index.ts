import { type AcademyFile, type FileThing, SHOT_BY_ITSELF } from '@calm-apron/contract'
import type { ShotFacts, TrainingHappening } from '@calm-apron/core'
import { type Seeded, seeded } from '@calm-apron/core/bench'
import { PEOPLE } from '../academy.ts'
import { demoId } from '../ids.ts'
import { tenths } from '../tenths.ts'
import { bagsOf, bagOfShot } from './bags.ts'
import { RECIPE, rightSetting } from './bar.ts'
import { type Pull, dialInPull, pull, seriesOf, tastedBy } from './pull.ts'
import { NOTES, ruledOf, saidOf } from './said.ts'
import { type DemoTraining, type Turn, trainingsUntil } from './trainings.ts'

/** What the half-year adds to the demo. */
export type HalfYear = Pick<
  AcademyFile,
  'shots' | 'trainings' | 'corrections' | 'calls' | 'slips' | 'rulings'
> & {
  bags: FileThing[]
}
type DemoShot = AcademyFile['shots'][number]

const SEED = 4180
const MS_PER_MINUTE = 60_000
/** Numbers from here on are the half-year's own. */
export const FROM_NO = 1000
/** Of every third shot a call is asked for, and both note the cup. */
const CALLED_EVERY = 3
/** A scale has been at the bar for so long. */
const WEIGHED_DAYS = 35
/** Every so manyth shot has a note, is overruled where it was called, or was corrected. */
const EVERY = { note: 23, ruled: 71, corrected: 97 }

/** Half a year of eight who learn, by simulation from a seed, up to three days before `now`. */
export function halfYear(now: Date, seed = SEED): HalfYear {
  const made = new HalfYearBook(seeded(seed))
  for (const training of trainingsUntil(now.getTime())) made.add(training)
  return made.all()
}

class HalfYearBook {
  readonly #chance: Seeded
  readonly #made: Omit<HalfYear, 'bags'> = {
    shots: [],
    trainings: [],
    corrections: [],
    calls: [],
    slips: [],
    rulings: [],
  }
  /** Where the grinder stands, and where whoever overdoes it left it. */
  #setting: number = RECIPE.setting
  #ownSetting: number = RECIPE.setting

  constructor(chance: Seeded) {
    this.#chance = chance
  }

  all(): HalfYear {
    return { ...this.#made, bags: bagsOf(this.#made.shots) }
  }

  add(training: DemoTraining): void {
    const no = FROM_NO + this.#made.trainings.length
    const trainingId = demoId('training', no)
    const events: AcademyFile['trainings'][number]['events'] = []
    const by = personNo(training.trainer.who)
    const note = (atMs: number, happening: TrainingHappening) =>
      events.push({
        eventId: demoId('event', no * 8 + events.length),
        by,
        at: new Date(atMs).toISOString(),
        happening,
        after: events.at(-1)?.eventId ?? null,
      })
    const isOwn = training.turns[0]?.hands.overCorrects === true
    note(training.startMs, { kind: 'started', setup: this.#setupOf(training, isOwn) })
    if (!isOwn) this.#dialIn(training, trainingId, note)
    for (const turn of training.turns) this.#pull(turn, training, trainingId)
    const left = { rinsed: true, wiped: no % 9 !== 4, handleBack: true }
    note(training.endMs, { kind: 'ended', left })
    this.#made.trainings.push({ trainingId, events })
  }

  #setupOf({ turns }: DemoTraining, isOwn: boolean) {
    const people = [...new Set(turns.map(({ hands }) => hands.who))]
    return {
      barId: demoId('bar', 1),
      purpose: 'practice' as const,
      recipeRevisionId: demoId('recipe', 1),
      routineId: null,
      grinderId: demoId('grinder', 1),
      bagId: this.#bagId(),
      grindOwner: isOwn ? ('trainee' as const) : ('trainer' as const),
      seats: people.map((who, at) => ({ personId: personNo(who), machineId: null, groupNo: at % 2 })),
    }
  }

  /** From where it stood last time, by half each time, until it runs in its window. */
  #dialIn(
    training: DemoTraining,
    trainingId: string,
    note: (atMs: number, what: TrainingHappening) => void,
  ): void {
    const { daysAgo, startMs, trainer } = training
    const right = rightSetting(daysAgo)
    let shots = 0
    for (;;) {
      const made = dialInPull(this.#setting, daysAgo)
      const atMs = startMs + (1 + 3 * shots) * MS_PER_MINUTE
      const personId = personNo(trainer.who)
      this.#keep(made.facts, {
        personId,
        judgedBy: personId,
        atMs,
        trainingId,
        isOwn: false,
        purpose: 'dial-in',
      })
      shots += 1
      const isIn = this.#setting === right
      if (isIn) break
      const nearer = this.#setting + (right - this.#setting) / 2
      this.#setting = shots >= 3 ? right : Math.round(nearer * 2) / 2
    }
    note(startMs + (2 + 3 * shots) * MS_PER_MINUTE, {
      kind: 'locked',
      lock: {
        grinderId: demoId('grinder', 1),
        bagId: this.#bagId(),
        recipeRevisionId: demoId('recipe', 1),
        setting: this.#setting,
        doseG: RECIPE.doseG,
        basketId: null,
        innerBurrAt: null,
        shots,
        grams: tenths(shots * (RECIPE.doseG + 4)),
        money: null,
      },
    })
  }

  #pull(turn: Turn, { daysAgo, trainer }: DemoTraining, trainingId: string): void {
    const chance = this.#chance
    const isOwn = turn.hands.overCorrects
    const made = pull(turn, isOwn ? this.#ownSetting : this.#setting, daysAgo, trainer, chance)
    if (isOwn) this.#ownSetting = corrected(this.#ownSetting, made.facts, chance)
    const isCalled = turn.before % CALLED_EVERY === CALLED_EVERY - 1
    const isTasted = !isCalled && chance.chance(0.5)
    const taste = tastedBy(made, { milder: trainer.milder, sd: 0.6 }, chance)
    const shotNo = this.#keep(isTasted ? { ...made.facts, taste } : made.facts, {
      personId: personNo(turn.hands.who),
      judgedBy: personNo(trainer.who),
      atMs: turn.atMs,
      trainingId,
      isOwn,
      purpose: 'practice',
      isCalled,
      series: daysAgo < WEIGHED_DAYS ? seriesOf(made) : null,
    })
    if (isCalled) this.#say(made, turn, trainer, shotNo)
  }

  #say(made: Pull, turn: Turn, trainer: DemoTraining['trainer'], no: number): void {
    const shotId = demoId('shot', no)
    const ids = { shotId, no, personId: personNo(turn.hands.who), trainerId: personNo(trainer.who) }
    const said = saidOf(ids, turn, made, trainer, this.#chance)
    this.#made.calls.push(said.call)
    this.#made.slips.push(...said.slips)
    if (this.#made.calls.length % EVERY.ruled === 20)
      this.#made.rulings.push(ruledOf(shotId, no, ids.trainerId, turn.atMs))
  }

  #bagId(): string {
    return demoId('bag', FROM_NO + bagOfShot(this.#made.shots.length))
  }

  /** Writes a shot down, some of them wrongly at first; tells its number. */
  #keep(
    facts: ShotFacts,
    { personId, judgedBy, atMs, trainingId, isOwn, purpose, isCalled = false, series = null }: Kept,
  ): number {
    const index = this.#made.shots.length
    const no = FROM_NO + index
    const isMisread = purpose === 'practice' && index % EVERY.corrected === 50 && facts.dose?.by === 'net'
    const shot: DemoShot = {
      shotId: demoId('shot', no),
      personId,
      recipeRevisionId: demoId('recipe', 1),
      barId: demoId('bar', 1),
      grinderId: demoId('grinder', 1),
      bagId: this.#bagId(),
      judgedBy,
      pulledAt: new Date(atMs).toISOString(),
      ...SHOT_BY_ITSELF,
      trainingId,
      purpose,
      grindOwner: isOwn ? 'trainee' : 'trainer',
      isCallAsked: isCalled,
      isFirstCallAsked: false,
      areNotesAsked: isCalled,
      focus: null,
      series,
      note: purpose === 'practice' && index % EVERY.note === 7 ? (NOTES[index % NOTES.length] ?? '') : '',
      facts:
        isMisread && facts.dose?.by === 'net'
          ? { ...facts, dose: { by: 'net', netG: facts.dose.netG + 10 } }
          : facts,
    }
    this.#made.shots.push(shot)
    if (isMisread)
      this.#made.corrections.push({
        shotId: shot.shotId,
        revisionId: demoId('revision', no),
        basedOnNo: 1,
        judgedBy,
        reason: 'Mistyped: a one too many.',
        correctedAt: new Date(atMs + 3 * MS_PER_MINUTE).toISOString(),
        facts,
        note: null,
      })
    return no
  }
}

interface Kept {
  personId: string
  judgedBy: string
  atMs: number
  trainingId: string
  isOwn: boolean
  purpose: DemoShot['purpose']
  isCalled?: boolean
  series?: DemoShot['series']
}

/** Whoever overdoes it moves four for every miss, and can't leave alone what is right. */
function corrected(setting: number, { clock }: ShotFacts, chance: Seeded): number {
  const stopS = clock?.stopS ?? 0
  const [min, max] = RECIPE.windowS
  const by = stopS < min ? -4 : stopS > max ? 4 : chance.pick([-2, -1, 0, 1, 2])
  return Math.min(20, Math.max(9, setting + by))
}

function personNo(number: number): string {
  const found = PEOPLE.find(({ personId }) => personId === demoId('person', number))
  if (found === undefined) throw new RangeError(`The demo has no person number ${number}`)
  return found.personId
}
