<script setup lang="ts">
import { trainingState } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { pastTrainingsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Trainings that are over: when, with whom, by which recipe. */
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const pages = ref(1)
const isBusy = ref(false)
const answer = useAnswer(() => pastTrainingsAsked(pages.value))
const told = computed(() => answer.value.value?.trainings ?? [])

async function more(): Promise<void> {
  isBusy.value = true
  pages.value += 1
  await answer.load()
  isBusy.value = false
}

const rows = computed(() =>
  told.value.flatMap(({ trainingId, events }) => {
    const state = trainingState(events)
    if (state === null) return []
    const { setup, startedAt, ended } = state
    const date = format.dateOf(startedAt, academy.timeZone)
    const from = format.timeOf(startedAt, academy.timeZone)
    const when =
      ended === null
        ? `${t('training.sinceOnDay', { date, from })}, ${t('training.neverEnded')}`
        : t('training.onDay', { date, from, to: format.timeOf(ended.at, academy.timeZone) })
    return [
      {
        trainingId,
        title: t(`training.title.${setup.purpose}`),
        when,
        people: setup.seats.map(({ personId }) => academy.personName(personId)).join(', '),
        recipe: academy.recipe(setup.recipeRevisionId)?.name ?? '',
      },
    ]
  }),
)
</script>

<template>
  <div class="past">
    <h1 tabindex="-1">{{ t('training.past') }}</h1>
    <EmptyPlace v-if="answer.value.value && rows.length === 0" :says="t('training.nonePast')" />
    <EmptyPlace v-else-if="answer.state.value === 'away'" :says="t('training.pastOffline')" />
    <ul>
      <li v-for="row in rows" :key="row.trainingId">
        <RouterLink :to="{ name: 'training', params: { trainingId: row.trainingId } }">
          <strong>{{ row.title }}</strong> <span>{{ row.when }}</span>
        </RouterLink>
        <span class="soft">{{ [row.people, row.recipe].filter((each) => each !== '').join(' · ') }}</span>
      </li>
    </ul>
    <PressButton v-if="answer.value.value?.hasMore" is-large :is-busy="isBusy" @click="more">{{
      t('training.more')
    }}</PressButton>
  </div>
</template>

<style scoped>
.past {
  display: grid;
  gap: 16px;
  max-width: 720px;
  margin: 0 auto;
  padding: 24px;
  justify-items: start;
}
ul {
  width: 100%;
}
li {
  display: grid;
  padding: 8px 0;
  border-bottom: 1px solid var(--mist);
}
a {
  min-height: 44px;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  align-items: center;
}
</style>
