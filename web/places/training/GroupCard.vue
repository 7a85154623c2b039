<script setup lang="ts">
import type { StageOfGroup } from '@calm-apron/contract'
import { type Seat, type TrainingSetup, pulledAt, recipesAt } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useDoor } from '../../data/door/door.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { TrainingGroup } from '../../shot/training/useGroups.ts'

/** One group of a training: what it is doing, whose turn it is, and everyone with a seat at it. */
const props = defineProps<{ trainingId: string; group: TrainingGroup; setup: TrainingSetup }>()
const emit = defineEmits<{ begin: [seat: Seat, recipeRevisionId: string]; goOn: [shotId: string] }>()
const { t, te } = useI18n()
const academy = useAcademy()
const format = useFormat()
const door = useDoor()
/** A trainee brings nobody to the bar but themselves. */
const mayBegin = ({ personId }: Seat) => door.may('record-shot', personId === door.personId)

/** What was chosen for the next shots at this group; whoever has a recipe of their own begins with that. */
const chosenRecipe = ref<string | null>(null)
const recipes = computed(() =>
  (props.group.next === null ? [] : recipesAt(props.setup, props.group.next)).flatMap((value) => {
    const found = academy.recipe(value)
    return found === null ? [] : [{ value, label: found.name }]
  }),
)
watch(
  () => props.group.next?.personId,
  () => {
    if (props.group.next?.with?.recipeRevisionId !== undefined) chosenRecipe.value = null
  },
)
const recipe = computed({
  get: () => {
    const isThere = recipes.value.some(({ value }) => value === chosenRecipe.value)
    return isThere ? (chosenRecipe.value ?? '') : (recipes.value[0]?.value ?? props.setup.recipeRevisionId)
  },
  set: (chosen: string) => (chosenRecipe.value = chosen),
})
/** Whoever is taken out of turn begins with what is theirs. */
const recipeOf = (seat: Seat) =>
  seat.personId === props.group.next?.personId ? recipe.value : pulledAt(props.setup, seat).recipeRevisionId

const nameAt = (seat: Seat | null) =>
  seat === null ? t('turns.nobody') : academy.personName(seat.personId).split(' ')[0]

function stageWords({ personId, step, phase, pumpS, weightG }: StageOfGroup): string {
  const person = academy.personName(personId)
  if (phase === 'before' || phase === 'stopped')
    return t('lead.at', { person, step: te(`step.${step}`) ? t(`step.${step}`) : step })
  // Of somebody else's shot the numbers may be withheld.
  if (pumpS === 0 && weightG === null) return t('lead.atWork', { person })
  const s = pumpS.toFixed(0)
  return weightG === null
    ? t('lead.pulling', { person, s })
    : t('lead.pullingWeighed', { person, s, weight: format.mass(weightG) })
}
</script>

<template>
  <section class="group" :aria-label="group.name">
    <h2>{{ group.name || t('bar.oneGroup') }}</h2>
    <p v-if="group.stage" class="stage" role="status" data-stage>{{ stageWords(group.stage) }}</p>
    <dl v-if="group.turns.pulling" class="turns">
      <template v-for="each in ['pulling', 'watching', 'next'] as const" :key="each">
        <dt>{{ t(`turns.${each}`) }}</dt>
        <dd :data-turn="each">{{ nameAt(group.turns[each]) }}</dd>
      </template>
    </dl>
    <RouterLink
      v-if="
        group.stage && group.turns.pulling && group.stage.personId !== door.personId && !group.begunShotId
      "
      class="press second"
      :to="{ name: 'watch', params: { trainingId, group: group.key } }"
      >{{ t('watch.start', { person: academy.personName(group.turns.pulling.personId) }) }}</RouterLink
    >
    <ChoiceRow
      v-if="recipes.length > 1 && !group.begunShotId"
      v-model="recipe"
      :label="t('seats.nextBy')"
      :options="recipes"
    />
    <PressButton
      v-if="group.begunShotId"
      kind="primary"
      is-large
      class="next"
      @click="emit('goOn', group.begunShotId)"
      >{{ t('bar.goOnShot') }}</PressButton
    >
    <PressButton
      v-else-if="group.next && mayBegin(group.next)"
      kind="primary"
      is-large
      class="next"
      @click="emit('begin', group.next, recipe)"
      >{{ t('lead.nextIs', { person: academy.personName(group.next.personId) }) }}</PressButton
    >
    <p v-else-if="group.next" class="next soft">
      {{ t('lead.nextIs', { person: academy.personName(group.next.personId) }) }}
    </p>
    <p v-else class="next soft">{{ t('app.loading') }}</p>
    <ul>
      <li v-for="{ seat, name, pulled } in group.seats" :key="seat.personId" class="seat">
        <span>{{ name }}</span>
        <span class="soft">{{ t('lead.shotsOf', pulled) }}</span>
        <PressButton
          v-if="mayBegin(seat)"
          :aria-label="t('lead.pullNow', { person: name })"
          @click="emit('begin', seat, recipeOf(seat))"
          >{{ t('lead.toBar') }}</PressButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.group {
  display: grid;
  gap: 12px;
  align-content: start;
  padding-top: 12px;
  border-top: 3px solid var(--pine);
}
h2,
p {
  margin: 0;
}
.stage {
  min-height: 1.5em;
}
.turns {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  grid-auto-flow: column;
  grid-template-rows: auto auto;
  gap: 0 16px;
  margin: 0;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
  font-weight: 700;
}
.next {
  height: 64px;
  font-size: 1.25rem;
}
.seat {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 56px;
  border-bottom: 1px solid var(--mist);
}
.seat > :first-child {
  flex: 1;
}
.seat :deep(.press-button) {
  min-height: 44px;
}
</style>
