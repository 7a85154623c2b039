<script setup lang="ts">
import type { RecipeRevision, TodayCoffee } from '@calm-apron/contract'
import { RECHECK_REASONS, type RecheckReason, type TrainingState, dateInZone } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import MoneySpent from '../../shot/training/MoneySpent.vue'
import { useTrainings } from '../../shot/training/trainings.ts'
import { wantedOf } from '../../shot/training/useTraining.ts'

/** The setting that holds for the session, and what has happened since for which it should be looked at again. */
const props = defineProps<{
  trainingId: string
  state: TrainingState
  recipe: RecipeRevision | null
  coffee: TodayCoffee | null
  /** Nobody is advised then. */
  isSetOn: boolean
}>()
const { t } = useI18n()
const academy = useAcademy()
const trainings = useTrainings()
const format = useFormat()

/** The most by which dialling in moves a dose between two settings. */
const NUDGED_G = 0.35
const lock = computed(() => props.state.lock)
const settingWords = useSettingWords()
const shown = computed(() =>
  lock.value === null ? '' : settingWords(lock.value.grinderId)(lock.value.setting),
)
/** What was found off the recipe, and is kept with the setting. */
const wanted = computed(() => {
  if (lock.value === null || props.recipe === null) return null
  const { targets } = props.recipe
  const { doseG, yieldG = targets.yieldG } = lock.value
  return wantedOf({ doseG, yieldG }, targets) === null ? null : { doseG, yieldG }
})
/** What the events say, and what only time and the recipe do. */
const reasons = computed<RecheckReason[]>(() => {
  if (lock.value === null) return []
  const isOtherDay =
    dateInZone(new Date(lock.value.at), academy.timeZone) !== dateInZone(new Date(), academy.timeZone)
  const grinder = academy.grinder(lock.value.grinderId)
  const isNow: Partial<Record<RecheckReason, boolean>> = {
    age: isOtherDay,
    basket: props.recipe !== null && props.recipe.method.basketId !== lock.value.basketId,
    burr: (grinder?.innerBurr?.at ?? null) !== lock.value.innerBurrAt,
    dose: props.recipe !== null && Math.abs(lock.value.doseG - props.recipe.targets.doseG) > NUDGED_G,
  }
  return RECHECK_REASONS.filter((reason) => lock.value?.recheck.includes(reason) || isNow[reason])
})

async function stillHolds(): Promise<void> {
  if (lock.value === null) return
  const { at: _at, by: _by, recheck: _recheck, ...kept } = lock.value
  // It holds for what is there now, too.
  const basketId = props.recipe?.method.basketId ?? null
  const innerBurrAt = academy.grinder(kept.grinderId)?.innerBurr?.at ?? null
  await trainings.note(props.trainingId, { kind: 'locked', lock: { ...kept, basketId, innerBurrAt } })
}
async function unlock(): Promise<void> {
  await trainings.note(props.trainingId, { kind: 'unlocked', why: reasons.value[0] ?? 'other' })
}
</script>

<template>
  <section class="lock" :class="{ again: reasons.length > 0 || !lock }" :aria-label="t('lock.title')">
    <template v-if="lock">
      <p class="says">
        <strong>{{ t('lock.at', { setting: shown }) }}</strong>
        <span v-if="wanted">{{
          t('lock.wanted', { dose: format.mass(wanted.doseG), yield: format.mass(wanted.yieldG) })
        }}</span>
        <span v-if="lock.taste">{{ t('lock.taste', { ...lock.taste }) }}</span>
        <span class="soft">{{
          t('lock.cost', {
            time: format.timeOf(lock.at, academy.timeZone),
            shots: lock.shots,
            mass: format.mass(lock.grams),
          })
        }}</span>
        <MoneySpent class="soft" :money="lock.money" />
      </p>
      <template v-if="reasons.length > 0">
        <p role="status">
          {{ t('lock.recheck', { why: reasons.map((each) => t(`lock.why.${each}`)).join(', ') }) }}
        </p>
        <PressButton @click="stillHolds">{{ t('lock.holds') }}</PressButton>
      </template>
      <PressButton @click="unlock">{{ t('lock.unlock') }}</PressButton>
    </template>
    <p v-else class="says">{{ t('lock.none') }}</p>
    <p v-if="isSetOn" class="soft">{{ t('dialin.setOn') }}</p>
    <RouterLink
      v-else
      class="press"
      :class="{ second: lock && reasons.length === 0 }"
      :to="{ name: 'dial-in', params: { trainingId } }"
      >{{ t('lock.dialIn') }}</RouterLink
    >
  </section>
</template>

<style scoped>
.lock {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px 20px;
  padding: 12px 16px;
  border-left: 6px solid var(--pine);
  background: var(--raised);
}
.lock.again {
  border-left-color: var(--ochre);
}
.says {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  flex: 1;
}
.lock :deep(.press-button),
.press {
  min-height: 48px;
}
</style>
