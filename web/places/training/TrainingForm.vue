<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useRecipeChoices } from '../../shot/start/useRecipeChoices.ts'
import { usePullChoices } from '../../shot/start/usePullChoices.ts'
import RecipeChoice from '../../shot/start/RecipeChoice.vue'
import PlacesOf from './PlacesOf.vue'
import SeatsOwn from './SeatsOwn.vue'
import type { SetupForm } from './useSetupForm.ts'

const props = defineProps<{ form: SetupForm }>()
const { t } = useI18n()
const academy = useAcademy()

// The form is the page's own, and stays the same one.
const { chosen, chosenBar } = props.form
const { rooms, grinders, bags, routines } = usePullChoices(() => chosenBar.value)

const orNoRoutine = computed(() => [...routines.value, { value: null, label: t('lead.noRoutine') }])
const recipes = useRecipeChoices()
const owners = (['trainer', 'trainee'] as const).map((value) => ({
  value,
  label: t(`lead.owner.${value}`),
}))
</script>

<template>
  <div class="form">
    <section aria-labelledby="who">
      <h2 id="who">{{ t('lead.who') }}</h2>
      <p v-if="academy.trainees.length === 0">{{ t('today.noTrainees') }}</p>
      <PlacesOf :form="form" :people="academy.trainees" />
      <!-- Trainers pull too. -->
      <details v-if="academy.teachers.length > 0">
        <summary>{{ t('seats.teachersToo') }}</summary>
        <PlacesOf :form="form" :people="academy.teachers" />
      </details>
    </section>
    <RecipeChoice v-model="chosen.recipeRevisionId" :label="t('lead.recipe')" :recipes="recipes" />
    <section class="rest" :aria-label="t('training.with')">
      <ChoiceRow v-if="rooms.length > 1" v-model="chosen.barId" :label="t('lead.bar')" :options="rooms" />
      <ChoiceRow v-model="chosen.grinderId" :label="t('lead.grinder')" :options="grinders" />
      <ChoiceRow v-model="chosen.bagId" :label="t('lead.coffee')" :options="bags" />
      <ChoiceRow v-model="chosen.routineId" :label="t('lead.routine')" :options="orNoRoutine" />
      <ChoiceRow v-model="chosen.grindOwner" :label="t('lead.grindOwner')" :options="owners" />
    </section>
    <SeatsOwn :form="form" />
  </div>
</template>

<style scoped>
.form,
section {
  display: grid;
  gap: 16px;
}
.form {
  gap: 28px;
}
h2 {
  margin: 0;
}
</style>
