import type { RecipeRevision, TodayBasket, TodayGrinder } from '@calm-apron/contract'
import { settingShown } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKeeperNote } from '../equipment/useKeeperNote.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useTrainings } from '../training/trainings.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { readNumber } from '../draft/readEntry.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'

interface Beside {
  draft: ShotDraft
  recipe: Pick<RecipeRevision, 'targets' | 'method' | 'coffeeId'> | null
  grinder: TodayGrinder | null
  /** The recipe's own. */
  basket: TodayBasket | null
}

const SAME_HEAT_C = 1

/** What must be known before a shot is ground: who may move the grinder, what was locked, and what is another than meant. */
export function useReadyNotes(beside: () => Beside) {
  const { t } = useI18n()
  const academy = useAcademy()
  const keeperNote = useKeeperNote()
  const trainings = useTrainings()
  const format = useFormat()

  const shown = (setting: number) => settingShown(setting, beside().grinder?.lettersPerNumber ?? 0)

  function keeper(): string[] {
    const note = keeperNote(beside().grinder)
    return note === null ? [] : [note]
  }

  /** A shot of a dial-in is meant to leave what was locked. */
  function leavesLock(): string[] {
    const { draft } = beside()
    const lock = draft.trainingId === null ? null : (trainings.stateOf(draft.trainingId)?.lock ?? null)
    const { value: setting } = readNumber(draft.texts.grindSetting, { min: -Infinity, max: Infinity })
    const isLocked = lock !== null && lock.grinderId === draft.grinderId && draft.purpose !== 'dial-in'
    if (!isLocked || setting === null || setting === lock.setting) return []
    return [t('ready.leavesLock', { locked: shown(lock.setting), setting: shown(setting) })]
  }

  function meant(): string[] {
    const { draft, recipe } = beside()
    const { doseG: otherDoseG = null, yieldG: otherYieldG = null } = draft.wanted ?? {}
    if (recipe === null || (otherDoseG === null && otherYieldG === null)) return []
    const { doseG, yieldG } = recipe.targets
    return [t('ready.meant', { dose: format.mass(doseG), yield: format.mass(yieldG) })]
  }

  function otherBasket(): string[] {
    const { draft, basket } = beside()
    const inGroup = academy.basketInGroup({ machineId: draft.machineId, groupNo: draft.groupNo })
    if (basket === null || inGroup === null || inGroup.basketId === basket.basketId) return []
    return [t('ready.otherBasket', { recipe: basket.name, group: inGroup.name })]
  }

  /** Set otherwise than the recipe asks by more than a thermometer errs. */
  function otherHeat(): string[] {
    const { draft, recipe } = beside()
    const [wantedC, setC] = [
      recipe?.method.temperatureC ?? null,
      academy.machine(draft.machineId)?.setC ?? null,
    ]
    if (wantedC === null || setC === null || Math.abs(wantedC - setC) < SAME_HEAT_C) return []
    const [recipes, machines] = [wantedC, setC].map((heat) => format.quantity('temperature', heat))
    return [t('ready.otherHeat', { recipe: recipes, machine: machines })]
  }

  /** A recipe that is for one coffee. */
  function otherCoffee(): string[] {
    const { draft, recipe } = beside()
    const pulled = academy.coffeeOfBag(draft.bagId)
    const wanted = recipe === null || recipe.coffeeId === null ? null : academy.coffee(recipe.coffeeId)
    if (pulled === null || wanted === null || pulled.coffeeId === wanted.coffeeId) return []
    return [t('ready.otherCoffee', { recipe: wanted.name, bag: pulled.name })]
  }

  return computed(() => [
    ...keeper(),
    ...leavesLock(),
    ...meant(),
    ...otherCoffee(),
    ...otherBasket(),
    ...otherHeat(),
  ])
}
