<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useRecipeChoices } from './useRecipeChoices.ts'
import RecipeChoice from './RecipeChoice.vue'
import ShotWithChoice from './ShotWithChoice.vue'
import { useShotWith } from './useShotWith.ts'
import { useStartShot } from './useStartShot.ts'

const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const startShot = useStartShot()
const pulledWith = useShotWith()
const { shotWith, keep } = pulledWith

/** Remembered on the device: the next shot is mostly by the same recipe. */
const personId = useLocalStorage('calm-apron.person', '')
const recipeRevisionId = useLocalStorage('calm-apron.recipe', '')

/** Whoever learns records their own shots alone: there is nobody to choose. */
const people = computed(() =>
  [...academy.trainees, ...academy.teachers.filter(({ personId: its }) => its === door.personId)]
    .filter((person) => door.may('record-shot', person.personId === door.personId))
    .map((person) => ({ value: person.personId, label: person.displayName })),
)
const pullerId = computed(() => (door.isStaff ? personId.value : (people.value[0]?.value ?? '')))
const recipes = useRecipeChoices()
const chosenName = computed(() => people.value.find(({ value }) => value === pullerId.value)?.label)
const isReady = computed(
  () =>
    chosenName.value !== undefined &&
    shotWith.value !== null &&
    recipes.value.some(({ id }) => id === recipeRevisionId.value),
)

async function start(): Promise<void> {
  if (shotWith.value === null) return
  keep()
  await startShot(pullerId.value, recipeRevisionId.value, shotWith.value)
}
</script>

<template>
  <div class="starter">
    <ChoiceRow
      v-if="door.isStaff && people.length > 0"
      v-model="personId"
      class="people"
      :label="t('today.who')"
      :options="people"
    />
    <p v-if="academy.trainees.length === 0">{{ t('today.noTrainees') }}</p>
    <RecipeChoice
      v-if="recipes.length > 0"
      v-model="recipeRevisionId"
      :label="t('today.recipe')"
      :recipes="recipes"
    />
    <p v-else>{{ t('today.noRecipes') }}</p>
    <ShotWithChoice v-if="shotWith" :with="pulledWith" />
    <div class="go">
      <PressButton kind="primary" is-large :disabled="!isReady" @click="start">
        {{ isReady && chosenName ? t('today.goNamed', { person: chosenName }) : t('today.go') }}
      </PressButton>
      <span v-if="!isReady" class="soft">{{
        t(door.isStaff ? 'today.chooseBoth' : 'training.missing.recipe')
      }}</span>
    </div>
  </div>
</template>

<style scoped>
.starter {
  display: grid;
  gap: 24px;
  --touch: 56px;
}
.starter :deep(legend) {
  font-size: 1.25rem;
  font-weight: 650;
  margin-bottom: 12px;
}
.go {
  position: sticky;
  bottom: 0;
  padding: 12px 0;
  background: var(--paper);
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 16px;
}
.go :deep(.press-button) {
  min-height: 56px;
  font-size: 1.25rem;
  padding-inline: 32px;
}
</style>
