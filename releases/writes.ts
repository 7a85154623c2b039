import { v7 as uuidv7 } from 'uuid'

/** One request as an outbox keeps it, and who sends it. */
export interface KeptWrite {
  as: 'head' | 'trainer' | 'trainee'
  path: string
  body: object
}

/** What of the demo's records the writes name. */
export interface Named {
  traineeId: string
  trainerId: string
  barId: string
  recipeRevisionId: string
  grinderId: string
  bagId: string
}

const PICTURE = `data:image/png;base64,${'A'.repeat(120)}`

/** One write of each kind that a tablet may have waiting, in the order in which they belong. */
export function oneOfEach(named: Named, at: string): KeptWrite[] {
  const { traineeId, trainerId, barId, recipeRevisionId, grinderId, bagId } = named
  const [shotId, trainingId, coffeeId, personId] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()]
  const seats = [{ personId: traineeId, machineId: null, groupNo: 0 }]
  const setup = { barId, purpose: 'practice', recipeRevisionId, routineId: null, grinderId, bagId, seats }
  const said = { verdict: 'under', cause: null, move: 'finer' }
  const taste = { sour: 6, sweet: 4, bitter: 2, body: 4, dryness: 2 }
  const slip = { basedOnNo: 0, reason: null, tastedAt: at }
  const coffee = {
    ...{
      name: 'Harbour Mist',
      roaster: '',
      origin: 'Saltgate',
      process: '',
      roastLevel: 'medium',
      bagWords: '',
    },
    ...{ bagG: 1000, bagPrice: null, deliveryDays: 3, density: null },
    freshness: { restDays: 6, bestUntilDays: 22, usableUntilDays: 36 },
  }
  return [
    event(trainingId, trainerId, at, { kind: 'started', setup: { ...setup, grindOwner: 'trainer' } }),
    event(trainingId, trainerId, at, { kind: 'break-began' }),
    {
      as: 'trainer',
      path: `/shots/${shotId}`,
      body: {
        ...{ personId: traineeId, judgedBy: trainerId, recipeRevisionId, barId, grinderId, bagId },
        ...{ pulledAt: at, machineId: null, groupNo: null, trainingId, purpose: 'practice' },
        ...{
          grindOwner: 'trainer',
          isCallAsked: true,
          series: null,
          note: 'a little fast',
          facts: facts(36),
        },
      },
    },
    {
      as: 'trainer',
      path: `/shots/${shotId}/revisions/${uuidv7()}`,
      body: {
        basedOnNo: 1,
        judgedBy: trainerId,
        reason: 'read wrongly',
        correctedAt: at,
        facts: facts(37),
        note: null,
      },
    },
    {
      as: 'trainee',
      path: `/shots/${shotId}/calls/${uuidv7()}`,
      body: { calledBy: traineeId, stage: 'final', calledAt: at, ...said },
    },
    {
      as: 'trainee',
      path: `/shots/${shotId}/slips/${uuidv7()}`,
      body: { ...slip, filledBy: traineeId, side: 'trainee', taste },
    },
    {
      as: 'trainer',
      path: `/shots/${shotId}/slips/${uuidv7()}`,
      body: { ...slip, filledBy: trainerId, side: 'trainer', taste },
    },
    {
      as: 'trainer',
      path: `/shots/${shotId}/rulings/${uuidv7()}`,
      body: { ...said, ruledBy: trainerId, reason: 'I saw it', ruledAt: at },
    },
    {
      as: 'trainer',
      path: `/shots/${shotId}/photos/${uuidv7()}`,
      body: { takenBy: trainerId, takenAt: at, picture: PICTURE },
    },
    { as: 'head', path: `/prepared/${coffeeId}`, body: { kind: 'coffee', parentId: null, content: coffee } },
    { as: 'head', path: `/people/${personId}`, body: { displayName: 'Senna Quill', role: 'trainee' } },
  ]
}

function event(trainingId: string, by: string, at: string, happening: object): KeptWrite {
  return { as: 'trainer', path: `/trainings/${trainingId}/events/${uuidv7()}`, body: { by, at, happening } }
}

function facts(cupG: number): object {
  return {
    ...{
      grindSetting: 14,
      grinderPurged: true,
      machineHot: true,
      basketDry: true,
      rightBasket: true,
      bedEven: true,
    },
    dose: { by: 'net', netG: 18.2 },
    tamp: { tilt: 'level', lowSide: null, settled: true },
    clock: { firstDrop: 'marked', firstDropS: 6, stopS: 21, estimated: false },
    cup: { by: 'net', netG: cupG },
    abandoned: null,
    taste: { sour: 6, sweet: 4, bitter: 2, body: 4, dryness: 2 },
    look: { stream: 'even', puck: null },
  }
}
