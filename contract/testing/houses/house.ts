import {
  type Abandonment,
  type Distribution,
  type MarkPlace,
  PRESET_RECIPES,
  type RecipePresetKey,
  type ShotFacts,
  type ShotNotes,
  type ShotPurpose,
  isCountMethod,
  noNotes,
  settingTyped,
  unknownFacts,
} from '@calm-apron/core'
import type { BasketContent } from '../../prepared/kinds/basket.ts'
import type { GrinderContent } from '../../prepared/kinds/grinder.ts'
import type { MachineContent } from '../../prepared/kinds/machine.ts'
import type { RecipeContent } from '../../prepared/kinds/recipe.ts'

/** What is typed and tapped of one shot at the bar, as it stands in the fields: numbers as texts, the rest as chosen. */
export interface TypedShot {
  purpose?: ShotPurpose
  setting?: string
  /** Of the questions before the shot. */
  gate?: Partial<Pick<ShotFacts, 'machineHot' | 'basketDry' | 'rightBasket' | 'grinderPurged' | 'bedEven'>>
  dose?: { net: string } | { at: MarkPlace } | { count: string }
  tamp?: Partial<ShotFacts['tamp']>
  firstDrop?: string
  released?: string
  stop?: string
  abandoned?: Abandonment
  cup?: { net: string } | { ml: string } | { line: MarkPlace }
  taste?: [sour: number, sweet: number, bitter: number]
  look?: Partial<ShotFacts['look']>
  distributions?: Distribution[]
}

/** One way of working, set up as its people would, and one shot of theirs with what it must be told. */
export interface House {
  name: string
  recipe: {
    from: RecipePresetKey
    targets?: Partial<RecipeContent['targets']>
    method?: Partial<RecipeContent['method']>
  }
  machine?: Partial<Omit<MachineContent, 'groups'>>
  /** Buttons of its one group. */
  buttons?: MachineContent['groups'][number]['buttons']
  grinder?: Partial<GrinderContent>
  basket?: Partial<BasketContent>
  typed: TypedShot
  /** Rails in words, and the next move; in the words of the screen. */
  says: { dose?: string; tamp?: string; yield?: string; time?: string; taste?: string; next: string | RegExp }
  /** By which lever. */
  lever: string
}

/** The recipe that a house begins from a preset, and changes. */
export function recipeOf(
  { name, recipe: { from, targets, method } }: House,
  basketId: string,
): RecipeContent {
  const preset = PRESET_RECIPES[from]
  const { school } = preset.targets
  return {
    name,
    targets: { ...preset.targets, school: { ...school, onlyRecorded: [...school.onlyRecorded] }, ...targets },
    method: { ...preset.method, basketId, ...method },
    coffeeId: null,
    drink: '',
    tastingWords: '',
    note: '',
  }
}

const numberOf = (text: string) => Number(text.replace(',', '.'))

/** The facts that a typed shot stands for, worked out by no code of the bar's. */
export function factsOf(house: House): ShotFacts {
  const { typed } = house
  const { setting, gate, tamp, abandoned = null, taste, look } = typed
  const unknown = unknownFacts()
  const notes = notesOf(house)
  return {
    ...unknown,
    ...gate,
    grindSetting: setting === undefined ? null : settingTyped(setting, house.grinder?.lettersPerNumber ?? 0),
    dose: doseOf(house),
    tamp: { ...unknown.tamp, ...tamp },
    clock: clockOf(typed),
    cup: typed.cup && 'net' in typed.cup ? { by: 'net', netG: numberOf(typed.cup.net) } : null,
    abandoned,
    ...(taste && { taste: { ...unknown.taste, sour: taste[0], sweet: taste[1], bitter: taste[2] } }),
    look: { ...unknown.look, ...look },
    ...(typed.cup &&
      'ml' in typed.cup && { measured: { cupMl: numberOf(typed.cup.ml), tampForceN: null, leadG: null } }),
    ...(notes && { noted: { ...noNotes(), ...notes } }),
  }
}

function notesOf({ typed, recipe }: House): Partial<ShotNotes> | null {
  const method = recipe.method?.doseBy ?? PRESET_RECIPES[recipe.from].method.doseBy
  const isWeighedOtherwise = typed.dose !== undefined && 'net' in typed.dose && method !== 'scale'
  const notes: Partial<ShotNotes> = {
    ...(typed.cup && 'line' in typed.cup && { cupLine: typed.cup.line }),
    ...(typed.distributions && { distributions: typed.distributions }),
    ...(isWeighedOtherwise && { doseMethod: method }),
  }
  return Object.keys(notes).length === 0 ? null : notes
}

function doseOf({ typed: { dose }, recipe }: House): ShotFacts['dose'] {
  if (dose === undefined) return null
  if ('net' in dose) return { by: 'net', netG: numberOf(dose.net) }
  const method = recipe.method?.doseBy ?? PRESET_RECIPES[recipe.from].method.doseBy
  if ('count' in dose)
    return isCountMethod(method) ? { by: 'count', of: method, count: numberOf(dose.count) } : null
  return method === 'scale' || isCountMethod(method) ? null : { by: 'mark', mark: method, at: dose.at }
}

function clockOf({ firstDrop, released, stop }: TypedShot): ShotFacts['clock'] {
  if (stop === undefined) return null
  return {
    firstDrop: firstDrop === undefined ? 'missed' : 'marked',
    firstDropS: firstDrop === undefined ? null : numberOf(firstDrop),
    ...(released !== undefined && { preinfusionEndS: numberOf(released) }),
    stopS: numberOf(stop),
    estimated: false,
  }
}
