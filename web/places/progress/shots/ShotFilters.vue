<script setup lang="ts">
import { CAUSES, READING_KINDS, SHOT_PURPOSES, STANDINGS } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import { allAsked } from '../../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../../data/queries/useAnswer.ts'
import DateField from '../../../kit/forms/DateField.vue'
import SelectField from '../../../kit/forms/SelectField.vue'
import { useFormat } from '../../../kit/units/useFormat.ts'
import type { ShotSearch } from './useShotSearch.ts'

/** By what shots are looked for; what is not chosen is no condition. */
const search = defineModel<ShotSearch>({ required: true })
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const format = useFormat()
const recipes = useAnswer(() => allAsked('recipe'))
const coffees = useAnswer(() => allAsked('coffee'))
const bags = useAnswer(() => (search.value.coffeeId === '' ? null : allAsked('bag', search.value.coffeeId)))

interface Choice {
  value: string
  label: string
}
const any = (choices: readonly Choice[]): Choice[] => [{ value: '', label: t('shots.any') }, ...choices]

const people = computed(() =>
  any(
    (academy.today?.people ?? [])
      .filter(({ displayName }) => displayName !== '')
      .map(({ personId, displayName }) => ({ value: personId, label: displayName })),
  ),
)
const named = (things: readonly { preparedId: string; content: { name: string } }[] | null) =>
  any((things ?? []).map(({ preparedId, content }) => ({ value: preparedId, label: content.name })))
const grinders = computed(() =>
  any(
    (academy.today?.bars ?? [])
      .flatMap((bar) => bar.grinders)
      .map(({ grinderId, name }) => ({ value: grinderId, label: name })),
  ),
)
const bagChoices = computed(() =>
  any(
    (bags.value.value ?? []).map(({ preparedId, content: { roastedOn } }) => ({
      value: preparedId,
      label:
        roastedOn === null
          ? t('shots.undated')
          : t('shots.roasted', { date: format.calendarDate(roastedOn) }),
    })),
  ),
)
const purposes = any(SHOT_PURPOSES.map((value) => ({ value, label: t(`purpose.${value}`) })))
const stood = any(
  READING_KINDS.flatMap((reading) =>
    STANDINGS.toReversed().map((standing) => ({
      value: `${reading} ${standing}`,
      label: t('shots.stood', { reading: t(`rail.${reading}`), standing: t(`standing.${standing}`) }),
    })),
  ),
)
const causes = any(CAUSES.map((value) => ({ value, label: t(`cause.${value}`) })))
</script>

<template>
  <div class="filters">
    <SelectField v-if="door.isStaff" v-model="search.personId" :label="t('shots.who')" :options="people" />
    <SelectField v-model="search.stood" :label="t('shots.reading')" :options="stood" />
    <SelectField v-model="search.cause" :label="t('shots.cause')" :options="causes" />
    <SelectField v-model="search.recipeId" :label="t('shots.recipe')" :options="named(recipes.value.value)" />
    <SelectField
      v-model="search.coffeeId"
      :label="t('shots.coffee')"
      :options="named(coffees.value.value)"
      @update:model-value="search.bagId = ''"
    />
    <SelectField
      v-if="search.coffeeId"
      v-model="search.bagId"
      :label="t('shots.bag')"
      :options="bagChoices"
    />
    <SelectField v-model="search.grinderId" :label="t('shots.grinder')" :options="grinders" />
    <SelectField v-model="search.purpose" :label="t('shots.purpose')" :options="purposes" />
    <DateField v-model="search.from" :label="t('shots.from')" />
    <DateField v-model="search.until" :label="t('shots.until')" />
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px 16px;
}
</style>
