<script setup lang="ts">
import { isDialInOver, isTasteLed, settingShown } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import NumberEntry from '../../kit/parts/NumberEntry.vue'
import CautionNote from '../../shot/cautions/CautionNote.vue'
import GrinderScale from '../../shot/equipment/GrinderScale.vue'
import { useKeeperNote } from '../../shot/equipment/useKeeperNote.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import DialInChart from '../../shot/grind/DialInChart.vue'
import DialInShots from './DialInShots.vue'
import MoneySpent from '../../shot/training/MoneySpent.vue'
import { wantedOf } from '../../shot/training/useTraining.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { useDialIn } from './useDialIn.ts'
import { useOtherLocks } from './useOtherLocks.ts'

/** Finding the setting for a session: the next shot, why, what is to be expected, and what it has cost so far. */
const props = defineProps<{ trainingId: string }>()
const { t } = useI18n()
const router = useRouter()
const format = useFormat()
const {
  state,
  setup,
  isDialInOpen,
  isLoaded,
  recipe,
  grinder,
  coffee,
  advice,
  needed,
  fit,
  ofBag,
  best,
  pull,
  lock,
} = useDialIn(() => props.trainingId)
const prediction = ref('')
const keeperNote = useKeeperNote()
const assessments = useAssessments()

const shown = (setting: number) => settingShown(setting, grinder.value?.lettersPerNumber ?? 0)
const isOver = computed(() => advice.value !== null && isDialInOver(advice.value.step))
const isTasteDue = computed(() => advice.value?.step === 'taste-it')
const isOffRecipe = computed(
  () =>
    advice.value !== null && recipe.value !== null && wantedOf(advice.value, recipe.value.targets) !== null,
)
const lastShotId = computed(() => ofBag.value.at(-1)?.shot.shotId ?? '')
/** Why nobody dials in here; null where somebody may. */
const isClosedBy = computed(() => {
  if (assessments.isOnAt(props.trainingId, setup.value?.grinderId ?? null)) return 'setOn'
  return isDialInOpen.value ? null : 'notOpen'
})
/** Other trainings that keep this grinder at a setting of their own. */
const alsoLocked = useOtherLocks(() => props.trainingId)
const marks = computed(() => {
  if (advice.value === null) return []
  const { setting, brackets } = advice.value
  const at = (what: 'next' | 'fast' | 'slow', where: number | null) =>
    where === null ? [] : [{ setting: where, says: t(`dialin.mark.${what}`, { setting: shown(where) }) }]
  return [...at('next', setting), ...at('fast', brackets.fast), ...at('slow', brackets.slow)]
})

async function lockAndGo(): Promise<void> {
  await lock()
  await router.push({ name: 'training', params: { trainingId: props.trainingId } })
}
</script>

<template>
  <EmptyPlace
    v-if="state && isClosedBy"
    :says="t(`dialin.${isClosedBy}`)"
    :action="t('bar.toTraining')"
    :to="{ name: 'training', params: { trainingId } }"
  />
  <div v-else-if="state && advice && recipe && grinder" class="dialin">
    <header>
      <h1 tabindex="-1">{{ t('dialin.title') }}</h1>
      <p class="soft">
        <template v-if="coffee">{{ coffee.name }}, </template>{{ recipe.name }}, {{ grinder.name }}
      </p>
    </header>
    <section class="advice" aria-labelledby="next-shot">
      <h2 id="next-shot" class="next">
        {{
          t(`dialin.step.${advice.step}`, {
            setting: shown(advice.setting),
            dose: format.mass(advice.doseG),
            yield: format.mass(advice.yieldG),
          })
        }}
      </h2>
      <p v-if="!isOver">
        {{
          t('dialin.expect', {
            s: advice.predicted.s.toFixed(0),
            low: advice.predicted.lowS.toFixed(0),
            high: advice.predicted.highS.toFixed(0),
          })
        }}
        <template v-if="!isTasteLed({ recipe: recipe.targets })">{{
          t('dialin.chance', { chance: format.percent(advice.chanceInWindow) })
        }}</template>
      </p>
      <ul class="why">
        <li v-for="why in advice.why" :key="why">{{ t(`dialin.why.${why}`) }}</li>
      </ul>
      <p v-if="keeperNote(grinder)" class="do" role="note">{{ keeperNote(grinder) }}</p>
      <p v-if="advice.purgeG > 0" class="do" role="note">
        {{ t('dialin.purge', { grams: format.mass(advice.purgeG) }) }}
      </p>
      <p v-if="grinder.onlyWhileRunning && !isOver" class="do" role="note">{{ t('dialin.whileRunning') }}</p>
      <p v-if="grinder.dosesBy === 'time' && advice.purgeG > 0" class="do" role="note">
        {{ t('dialin.doseAgain') }}
      </p>
      <p v-if="isOffRecipe" class="do" role="note">
        {{ t('dialin.wanted', { dose: format.mass(advice.doseG), yield: format.mass(advice.yieldG) }) }}
      </p>
      <p v-for="other in alsoLocked" :key="other.trainingId" class="do" role="note">
        {{ t('dialin.alsoLocked', { setting: shown(other.setting), what: other.what }) }}
      </p>
      <template v-if="advice.waysOut.length > 0">
        <p>{{ t('dialin.waysOut') }}</p>
        <ul class="why">
          <li v-for="way in advice.waysOut" :key="way">{{ t(`dialin.way.${way}`) }}</li>
        </ul>
      </template>
      <details v-if="!isOver">
        <summary>{{ t('ready.predict') }}</summary>
        <NumberEntry v-model="prediction" :label="t('ready.prediction')" :suffix="t('unit.s')" />
      </details>
      <div class="actions">
        <PressButton v-if="!isOver" kind="primary" is-large @click="pull(prediction)">
          {{ t('dialin.pull', { setting: shown(advice.setting) }) }}
        </PressButton>
        <RouterLink
          v-if="isTasteDue && lastShotId"
          class="press"
          :to="{ name: 'correct', params: { shotId: lastShotId } }"
          >{{ t('dialin.noteTaste') }}</RouterLink
        >
        <PressButton
          :kind="isOver && !isTasteDue ? 'primary' : 'plain'"
          is-large
          :disabled="ofBag.length === 0"
          @click="lockAndGo"
        >
          {{ t('dialin.lock', { setting: shown(advice.setting) }) }}
        </PressButton>
        <PressButton v-if="isOver" is-large @click="pull(prediction)">{{ t('dialin.onceMore') }}</PressButton>
      </div>
      <p v-if="advice.ranWellAt !== null && advice.ranWellAt !== advice.setting" class="soft">
        {{ t('dialin.ranWellAt', { setting: shown(advice.ranWellAt) }) }}
      </p>
      <p v-if="isOver && needed" class="soft">
        {{ t('dialin.needed', { mass: format.mass(needed.grams) }, needed.shots) }}
      </p>
      <p class="soft">
        {{ t('dialin.spent', { mass: format.mass(advice.spent.grams) }, advice.spent.shots) }}
        <MoneySpent :money="advice.spent.money" />
        {{ ' '
        }}<span v-if="best && !isTasteLed({ recipe: recipe.targets })">{{
          t('dialin.best', { setting: shown(best.setting), s: format.seconds(best.s) })
        }}</span>
      </p>
      <CautionNote act="grinder" />
    </section>
    <section class="seen" :aria-label="t('dialin.seen')">
      <GrinderScale :grinder="grinder" :marks="marks" />
      <DialInChart v-if="fit" :fit="fit" :recipe="recipe.targets" :next="advice.setting" />
      <DialInShots :shots="ofBag" />
    </section>
    <RouterLink class="back" :to="{ name: 'training', params: { trainingId } }">{{
      t('bar.toTraining')
    }}</RouterLink>
  </div>
  <EmptyPlace v-else-if="setup?.grinderId && !isLoaded" :says="t('app.loading')" />
  <EmptyPlace
    v-else
    :says="t('dialin.missing')"
    :action="t('bar.toTraining')"
    :to="{ name: 'training', params: { trainingId } }"
  />
</template>

<style scoped>
.dialin {
  display: grid;
  grid-template: 'head head' auto 'advice seen' auto 'back seen' 1fr / minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 12px 40px;
  max-width: 1280px;
  margin: 0 auto;
  padding: 16px 24px;
}
header {
  grid-area: head;
}
.dialin p {
  margin: 0;
}
.advice {
  grid-area: advice;
  display: grid;
  gap: 12px;
  align-content: start;
}
.seen {
  grid-area: seen;
}
.next {
  margin: 0;
  font-size: 2rem;
  line-height: 1.15;
}
.why li::before {
  content: '· ';
}
.do {
  padding: 8px 16px;
  border-left: 6px solid var(--ochre);
  background: var(--ochre-soft);
}
.actions :deep(.press-button) {
  min-height: 60px;
  white-space: normal;
}
.back {
  grid-area: back;
  min-height: 44px;
}
@media (max-width: 900px) {
  .dialin {
    grid-template: 'head' auto 'advice' auto 'seen' auto 'back' auto / minmax(0, 1fr);
    padding: 16px;
  }
}
</style>
