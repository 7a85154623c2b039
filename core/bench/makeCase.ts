import type { Cause } from '../diagnosis/causes.ts'
import { NO_CONTEXT, type ShotContext } from '../reading/context.ts'
import { DOSE_SPREAD_G, type DoseMethod } from '../shot/doseMethod.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type Seeded, seeded } from '../random/seeded.ts'
import { type ShotFacts, unknownFacts } from '../shot/facts.ts'
import { PUCKS, STREAMS, TILTS } from '../shot/seen.ts'
import { SIGNS, type Sign } from '../shot/signs.ts'
import { canBeEntered } from '../shot/signEntries.ts'
import { FLAT_MIX, type Mix, drawFaults } from './mix.ts'
import { type Group, type Note, type Observable, note, observablesOf } from './observe.ts'
import { plantFaults } from './plant.ts'
import type { Truth } from './truth.ts'

/** A shot to be diagnosed, and what is behind it. */
export interface BenchCase {
  truth: Truth
  /** The planted faults; `none` where there is none. */
  causes: readonly Cause[]
  /** Something noted that speaks for another cause, and is harmless here. */
  distractor: Sign | 'tilt' | null
  doseMethod: DoseMethod
  notes: readonly Note[]
  facts: ShotFacts
  context: ShotContext
  recipe: Recipe
}

/** How likely each group is noted at difficulty 0 and at 1. */
const ATTENTION: Record<Group, readonly [number, number]> = {
  dose: [1, 0.75],
  clock: [1, 0.9],
  'first-drop': [0.95, 0.6],
  cup: [1, 0.85],
  taste: [0.95, 0.7],
  preparation: [0.9, 0.5],
  look: [0.95, 0.6],
  coffee: [0.95, 0.6],
  word: [0.75, 0.3],
  situation: [1, 0.75],
  comparison: [0.95, 0.6],
}
/** Tasted or not tasted is one decision; each look, word or question is one of its own. */
const ONE_BY_ONE: ReadonlySet<Group> = new Set(['preparation', 'look', 'word', 'situation', 'comparison'])
const DISTRACTORS = [
  'first-shot-of-day',
  'thin-crema',
  'early-blonding',
  'dry-patches',
  'steam-at-flush',
  'tilt',
] as const

/**
 * One case with a hidden cause; what is noted of it is what can be entered at the bar.
 * @param seed any integer; the same seed and difficulty give the same case
 * @param difficulty 0: most is noted, weighed on a scale, nothing misleads; 1: half is noted, some by eye, and one
 *   harmless thing points elsewhere
 * @param mix how often which fault is behind it
 */
export function makeCase(
  seed: number,
  difficulty: number,
  recipes: readonly [Recipe, ...Recipe[]],
  mix: Mix = FLAT_MIX,
): BenchCase {
  const chance = seeded(seed)
  const recipe = chance.pick(recipes)
  const faults = drawFaults(mix, chance)
  const truth = plantFaults(faults, recipe, chance)
  const doseMethod = chance.chance(0.2 * difficulty) ? chance.pick<DoseMethod>(['line', 'sweep']) : 'scale'
  const notes = drawNotes(observablesOf(truth, DOSE_SPREAD_G[doseMethod]), difficulty, chance)
  const distractor = chance.chance(0.6 * difficulty) ? chance.pick(DISTRACTORS) : null
  const misled =
    distractor === null ? notes : [...notes.filter(({ key }) => key !== distractor), mislead(distractor)]
  return {
    truth,
    causes: faults.length === 0 ? ['none'] : faults,
    distractor,
    doseMethod,
    notes: misled,
    ...factsOf(misled, truth, doseMethod),
    recipe,
  }
}

function mislead(distractor: (typeof DISTRACTORS)[number]): Note {
  return distractor === 'tilt' ? { key: 'tilt', value: 'slight' } : { key: distractor, value: true }
}

function drawNotes(observables: readonly Observable[], difficulty: number, chance: Seeded): Note[] {
  const attention = (group: Group) => {
    const [easy, hard] = ATTENTION[group]
    return easy + (hard - easy) * difficulty
  }
  const together = new Map<Group, boolean>()
  const isNoted = ({ group }: Observable) => {
    if (ONE_BY_ONE.has(group)) return chance.chance(attention(group))
    const decided = together.get(group) ?? chance.chance(attention(group))
    together.set(group, decided)
    return decided
  }
  const isEntered = ({ key, value }: Note) =>
    typeof value !== 'boolean' || !isSign(key) || canBeEntered(key, value)
  return observables
    .filter(isNoted)
    .map((observable) => note(observable, chance))
    .filter(isEntered)
}

function isSign(key: Note['key']): key is Sign {
  return SIGNS.some((sign) => sign === key)
}

function factsOf(
  notes: readonly Note[],
  { recipe, shot }: Truth,
  doseMethod: DoseMethod,
): { facts: ShotFacts; context: ShotContext } {
  const noted = new Map(notes.map(({ key, value }) => [key, value]))
  const number = (key: Note['key'], decimals = 1) => {
    const value = noted.get(key)
    return typeof value === 'number' ? Math.max(0, Math.round(value * 10 ** decimals) / 10 ** decimals) : null
  }
  const yes = (key: Note['key']) => {
    const value = noted.get(key)
    return typeof value === 'boolean' ? value : null
  }
  const oneOf = <T extends string>(key: Note['key'], choices: readonly T[]) =>
    choices.find((each) => each === noted.get(key)) ?? null
  const axis = (key: Note['key']) => {
    const value = number(key, 0)
    return value === null ? null : Math.min(10, value)
  }
  const [doseG, stopS, cupG] = [number('doseG'), number('stopS'), number('cupG')]
  const firstDropS = shot.firstDropS === null ? null : number('firstDropS')
  const isGivenUp = shot.cupG < 0.6 * recipe.yieldG && shot.stopS > 50
  const facts: ShotFacts = {
    ...unknownFacts(),
    grinderPurged: yes('grinderPurged'),
    machineHot: yes('machineHot'),
    basketDry: yes('basketDry'),
    basketClean: yes('basketClean'),
    rightBasket: yes('rightBasket'),
    bedEven: yes('bedEven'),
    dose: doseG === null ? null : { by: 'net', netG: doseG },
    tamp: { tilt: oneOf('tilt', TILTS), lowSide: null, settled: yes('settled') },
    clock:
      stopS === null
        ? null
        : {
            firstDrop: shot.firstDropS === null ? 'none' : firstDropS === null ? 'missed' : 'marked',
            firstDropS: firstDropS === null ? null : Math.min(firstDropS, stopS),
            stopS,
            estimated: false,
          },
    cup: cupG === null ? null : { by: 'net', netG: cupG },
    abandoned: isGivenUp && stopS !== null ? 'choked' : null,
    taste: {
      sour: axis('sour'),
      sweet: axis('sweet'),
      bitter: axis('bitter'),
      body: axis('body'),
      dryness: axis('dryness'),
    },
    look: { stream: oneOf('stream', STREAMS), puck: oneOf('puck', PUCKS) },
  }
  const signs: ShotContext['signs'] = {}
  for (const sign of SIGNS) {
    const said = yes(sign)
    if (said !== null) signs[sign] = said
  }
  const ageDays = number('ageDays', 0)
  return { facts, context: { ...NO_CONTEXT, doseMethod, signs, coffeeAgeDays: ageDays } }
}
