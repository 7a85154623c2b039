import {
  SHOT_BY_ITSELF,
  type ShotSummary,
  type Today,
  type TodayBag,
  type TodayBar,
  type TodayCoffee,
  begunAs,
} from '@calm-apron/contract'
import {
  type AsItStood,
  BASE_UNITS,
  type ShotFacts,
  type TrainingEvent,
  type TrainingSetup,
} from '@calm-apron/core'
import { PUMP_RECIPE, carefulShot } from '@calm-apron/core/testing'
import { draftOf } from '../shot/draft/shotDraft.ts'
import { newCoffee } from '../shot/coffee/newCoffee.ts'
import { IDA, ODALYS, shotBy, todayOf } from './device.ts'

const id = (kind: number, last: number) =>
  `019a5c00-0000-7${String(kind).padStart(3, '0')}-8000-${String(last).padStart(12, '0')}`

export const TEO = id(2, 3)
export const BAR = id(7, 1)
export const MACHINE = id(5, 1)
export const GRINDER = id(6, 1)
export const RECIPE = id(3, 1)
export const COFFEE = id(8, 1)
export const BAG = id(9, 1)
export const TRAINING = id(16, 1)
const TODAY = new Date().toISOString().slice(0, 10)
/** The `last`-th of the shots. */
export const shotId = (last: number) => id(10, last)

export const RECIPE_REVISION: Today['recipes'][number] = {
  recipeRevisionId: RECIPE,
  recipeId: id(4, 1),
  revisionNo: 1,
  name: 'House double',
  targets: { ...PUMP_RECIPE, school: { onlyRecorded: [], volume: null, tampForce: null } },
  method: {
    doseBy: 'scale',
    basketId: null,
    tampBy: 'settled',
    isTwisted: false,
    temperatureC: null,
    lowDoseRule: null,
    mayExceedBasket: false,
  },
  coffeeId: null,
  drink: '',
  tastingWords: '',
  note: '',
}

export const bagOf = (also: Partial<TodayBag> = {}): TodayBag => ({
  bagId: BAG,
  name: 'Bag 7',
  roastedOn: '2026-11-15',
  bestBefore: null,
  openedOn: '2026-11-22',
  finishedOn: null,
  keptIn: 'hopper',
  frozenOn: null,
  thawedOn: null,
  bagG: 1000,
  weighed: null,
  leftG: 640,
  ...also,
})

export const coffeeOf = (also: Partial<TodayCoffee> = {}): TodayCoffee => ({
  ...newCoffee(),
  coffeeId: COFFEE,
  name: 'Grey Gull',
  bagG: 1000,
  bagPrice: 30,
  deliveryDays: 2,
  freshness: { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 },
  gramsPerDay: 0,
  bags: [bagOf()],
  ...also,
})

const group = (name: string): TodayBar['machines'][number]['groups'][number] => ({
  name,
  basketId: null,
  selector: 'none',
  buttons: [],
})

export const barOf = (also: Partial<TodayBar> = {}): TodayBar => ({
  barId: BAR,
  name: 'Quay room',
  lowDoseRule: 'discard',
  bench: [],
  machines: [
    {
      machineId: MACHINE,
      ...begunAs('machine', {
        name: 'Two-group, quay side',
        warmUpMinutes: 25,
        isSelfFilling: true,
        groups: [group('Group 1'), group('Group 2')],
      }),
    },
  ],
  grinders: [{ grinderId: GRINDER, ...begunAs('grinder', { name: 'Left of the till', maxSetting: 40 }) }],
  baskets: [],
  vessels: [],
  waters: [],
  ...also,
})

/** A room with one machine of two groups, one grinder, one open bag, a trainer and two trainees. */
export function houseOf(also: Partial<Today> = {}): Today {
  const person = (personId: string, displayName: string, role: 'trainer' | 'trainee') => ({
    personId,
    displayName,
    role,
    isActive: true,
  })
  return {
    ...todayOf('Ostrel'),
    people: [
      person(ODALYS, 'Odalys', 'trainer'),
      person(IDA, 'Ida', 'trainee'),
      person(TEO, 'Teo', 'trainee'),
    ],
    recipes: [RECIPE_REVISION],
    coffees: [coffeeOf()],
    bars: [barOf()],
    ...also,
  }
}

export const SETUP: TrainingSetup = {
  barId: BAR,
  purpose: 'practice',
  recipeRevisionId: RECIPE,
  routineId: null,
  grinderId: GRINDER,
  bagId: BAG,
  grindOwner: 'trainer',
  seats: [
    { personId: IDA, machineId: MACHINE, groupNo: 0 },
    { personId: TEO, machineId: MACHINE, groupNo: 1 },
  ],
}

/** The `last`-th of what happened in a training. */
export const eventOf = (last: number, at: string, happening: TrainingEvent['happening']): TrainingEvent => ({
  eventId: id(11, last),
  by: ODALYS,
  at,
  happening,
})
export const startedWith = (setup = SETUP) =>
  eventOf(1, '2026-11-26T09:00:00.000Z', { kind: 'started', setup })

/** A shot of Ida's that was just begun, by itself. */
export const DRAFT = draftOf({
  ...SHOT_BY_ITSELF,
  shotId: shotId(1),
  personId: IDA,
  recipeRevisionId: RECIPE,
  barId: BAR,
  grinderId: null,
  bagId: null,
  madeAt: '2026-11-26T09:00:00.000Z',
  units: BASE_UNITS,
  correcting: null,
})

/** What a shot of this morning was pulled with. */
export const STOOD: AsItStood = {
  pulledOn: TODAY,
  isPullerTeaching: false,
  coffee: null,
  machine: null,
  grinder: { settingStep: 1, finerIs: 'lower' },
}

/** A shot of the training as the server lists it, of this morning. */
export function listedShot(
  last: number,
  also: Partial<ShotSummary> = {},
  facts: ShotFacts = carefulShot(),
): ShotSummary {
  const { facts: _facts, judgedBy, note, ...setting } = shotBy(ODALYS)
  const at = `${TODAY}T09:${String(last).padStart(2, '0')}:00.000Z`
  return {
    ...setting,
    shotId: shotId(last),
    grinderId: GRINDER,
    bagId: BAG,
    trainingId: TRAINING,
    pulledAt: at,
    current: {
      revisionId: shotId(last),
      revisionNo: 1,
      judgedBy,
      isClaimed: false,
      isDenied: false,
      isJudgeTeaching: true,
      reason: null,
      recordedAt: at,
      receivedAt: at,
      facts,
      note,
    },
    stood: STOOD,
    clockAheadS: null,
    tasted: { trainee: null, trainer: null },
    ...also,
  }
}
