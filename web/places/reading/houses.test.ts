// First: it sets what a browser tells of its reader.
import { inSetup } from '../../testing/inSetup.ts'
import { type TodayBar, begunAs } from '@calm-apron/contract'
import { HOUSES, type House, factsOf, recipeOf } from '@calm-apron/contract/testing'
import { type ReadingKind, diagnose, settingTyped } from '@calm-apron/core'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import type { ShotDraft } from '../../shot/draft/shotDraft.ts'
import { dialInGrinder, dialInWish } from '../../shot/grind/dialInWish.ts'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import { useRailWords } from '../../shot/rails/useRailWords.ts'
import { useShotRuns } from '../../shot/run/shotRuns.ts'
import { useStartShot } from '../../shot/start/useStartShot.ts'
import { ODALYS, IDA, doorsWith, freshDevice, sessionOf } from '../../testing/device.ts'
import { BAG, BAR, GRINDER, MACHINE, RECIPE_REVISION, barOf, houseOf } from '../../testing/house.ts'
import { useDiagnosisWords } from './useDiagnosisWords.ts'

const BASKET = '019a5c00-0000-7012-8000-000000000001'

/** The room of a house, as it was prepared. */
function roomOf({ machine, buttons = [], grinder, basket }: House): TodayBar {
  const group = { name: 'Group 1', basketId: BASKET, selector: 'none' as const, buttons }
  return barOf({
    machines: [
      { machineId: MACHINE, ...begunAs('machine', { name: 'The machine' }), ...machine, groups: [group] },
    ],
    grinders: [
      { grinderId: GRINDER, ...begunAs('grinder', { name: 'The grinder', maxSetting: 40 }), ...grinder },
    ],
    baskets: [
      {
        basketId: BASKET,
        ...begunAs('basket', { name: 'The basket', nominalG: 18 }),
        ...basket,
      },
    ],
  })
}

/** Types and taps it all into the fields of the bar. */
function type({ typed, grinder }: House, draft: ShotDraft): void {
  const { purpose, setting, gate, dose, tamp, firstDrop, released, stop, abandoned, cup, taste, look } = typed
  if (purpose) draft.purpose = purpose
  // As its field does of what a grinder prints.
  if (setting) draft.texts.grindSetting = String(settingTyped(setting, grinder?.lettersPerNumber ?? 0))
  Object.assign(draft.gate, gate)
  if (dose && 'net' in dose) Object.assign(draft.dose, { way: 'net', netText: dose.net })
  if (dose && 'at' in dose) draft.doseAt = dose.at
  if (dose && 'count' in dose) draft.texts.doseCount = dose.count
  Object.assign(draft.tamp, tamp)
  Object.assign(draft.clock, {
    firstDropText: firstDrop ?? '',
    releaseText: released ?? '',
    stopText: stop ?? '',
  })
  draft.abandoned = abandoned ?? null
  if (cup && 'net' in cup) Object.assign(draft.cup, { way: 'net', netText: cup.net })
  if (cup && 'ml' in cup) draft.texts.cupMl = cup.ml
  if (cup && 'line' in cup) draft.noted.cupLine = cup.line
  if (taste) Object.assign(draft.taste, { sour: taste[0], sweet: taste[1], bitter: taste[2] })
  Object.assign(draft.look, look)
  if (typed.distributions) draft.noted.distributions = [...typed.distributions]
}

async function pulledIn(house: House) {
  const recipe = { ...RECIPE_REVISION, ...recipeOf(house, BASKET) }
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf({ bars: [roomOf(house)], recipes: [recipe] }) }),
  })
  const { result, end } = await inSetup(() => ({
    start: useStartShot(),
    runs: useShotRuns(),
    words: useDiagnosisWords(),
    rails: useRailWords(),
    printed: useSettingWords(),
  }))
  await useDoor().load()
  await useAcademy().load()
  await result.start(IDA, recipe.recipeRevisionId, {
    barId: BAR,
    machineId: MACHINE,
    groupNo: 0,
    grinderId: GRINDER,
    bagId: BAG,
  })
  await useDrafts().reload()
  const [kept] = useDrafts().drafts
  const run = await result.runs.open(kept?.shotId ?? '')
  if (run === null) throw new Error('The draft was kept and is not found.')
  type(house, run.draft)
  return { ...result, run, recipe, end }
}

test.each(HOUSES.map((house) => [house.name, house] as const))(
  '%s: what is typed is what is recorded, and is told in its own words with its next move',
  async (_name, house) => {
    const { run, words, rails, printed, recipe, end } = await pulledIn(house)
    const { facts, issues } = run.read.value
    expect(issues).toEqual([])
    expect(facts).toEqual(factsOf(house))
    const [readings, grinder] = [run.readings.value, run.grinder.value]
    if (readings === null || grinder === null) throw new Error('It has a recipe and a grinder.')
    const diagnosis = diagnose(readings, {
      setting: facts.grindSetting,
      grinder,
      behind: {
        grinder: dialInGrinder(grinder),
        history: [],
        session: [],
        wish: dialInWish({ recipe, coffee: null, bagId: BAG, basket: run.basket.value }),
      },
    })
    const { next, ...told } = house.says
    // What is told is told of readings, under their names.
    const said = Object.fromEntries(
      Object.keys(told).map((kind) => [kind, rails.deviationOf(kind as ReadingKind, readings)]),
    )
    expect(said).toEqual(
      Object.fromEntries(Object.entries(told).map(([kind, words]) => [kind, expect.stringMatching(words)])),
    )
    expect(words.moveWords(diagnosis, facts.grindSetting, printed(GRINDER))).toEqual(
      expect.stringMatching(next),
    )
    expect(diagnosis.move.lever).toBe(house.lever)
    end()
  },
)
