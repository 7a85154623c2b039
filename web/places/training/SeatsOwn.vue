<script setup lang="ts">
import type { SeatWith } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import SelectField from '../../kit/forms/SelectField.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { usePullChoices } from '../../shot/start/usePullChoices.ts'
import type { SetupForm } from './useSetupForm.ts'

/** What some pull with that others don't: another recipe, grinder or routine; and recipes to change to from shot to shot. */
const props = defineProps<{ form: SetupForm }>()
const { t } = useI18n()
const academy = useAcademy()

// The form is the page's own, and stays the same one.
const { chosen, chosenBar, seats } = props.form
const { grinders, routines } = usePullChoices(() => chosenBar.value)

const AS_ALL = ''
const asAll = computed(() => ({ value: AS_ALL, label: t('seats.asAll') }))
const recipes = computed(() =>
  (academy.today?.recipes ?? []).map(({ recipeRevisionId, name }) => ({
    value: recipeRevisionId,
    label: name,
  })),
)
const others = computed(() => recipes.value.filter(({ value }) => value !== chosen.recipeRevisionId))
const parts = computed(() => [
  { part: 'recipeRevisionId' as const, label: t('lead.recipe'), options: recipes.value },
  {
    part: 'grinderId' as const,
    label: t('lead.grinder'),
    options: grinders.value.flatMap(({ value, label }) => (value === null ? [] : [{ value, label }])),
  },
  { part: 'routineId' as const, label: t('lead.routine'), options: routines.value },
])
const nameOf = (personId: string) => academy.personName(personId)

function ownOf(personId: string, part: keyof SeatWith): string {
  return chosen.own[personId]?.[part] ?? AS_ALL
}
function say(personId: string, part: keyof SeatWith, said: string): void {
  const { [part]: _before, ...rest } = chosen.own[personId] ?? {}
  chosen.own[personId] = said === AS_ALL ? rest : { ...rest, [part]: said }
}
</script>

<template>
  <details class="own">
    <summary>{{ t('seats.own') }}</summary>
    <div class="inside">
      <fieldset v-if="others.length > 0">
        <legend>{{ t('seats.also') }}</legend>
        <div class="also">
          <label v-for="each in others" :key="each.value">
            <input v-model="chosen.alsoRecipeRevisionIds" type="checkbox" :value="each.value" />
            {{ each.label }}
          </label>
        </div>
      </fieldset>
      <fieldset v-for="{ personId } in seats" :key="personId" class="seat">
        <legend>{{ nameOf(personId) }}</legend>
        <SelectField
          v-for="{ part, label, options } in parts"
          :key="part"
          :label="label"
          :options="[asAll, ...options]"
          :model-value="ownOf(personId, part)"
          @update:model-value="say(personId, part, $event)"
        />
      </fieldset>
    </div>
  </details>
</template>

<style scoped>
.inside {
  display: grid;
  gap: 20px;
  padding-top: 12px;
}
.also {
  clear: both;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
}
.also label {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.also input {
  width: 24px;
  height: 24px;
}
.seat {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(260px, 100%), 1fr));
  gap: 8px 24px;
}
legend {
  float: left;
  width: 100%;
  grid-column: 1 / -1;
  font-weight: 650;
}
</style>
