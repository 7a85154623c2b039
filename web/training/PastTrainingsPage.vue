<script setup lang="ts">
import { ENDPOINTS, type Training } from '@calm-apron/contract'
import { trainingState } from '@calm-apron/core'
import { Button } from 'ant-design-vue'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { call } from '../api/client.ts'
import FormFailure from '../forms/FormFailure.vue'
import { useForm } from '../forms/useForm.ts'
import EmptyPlace from '../parts/EmptyPlace.vue'
import { useAcademy } from '../store/academy.ts'
import { useFormat } from '../units/useFormat.ts'
import { useTrainings } from './trainings.ts'

/** Trainings that are over: when, with whom, by which recipe. */
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const trainings = useTrainings()
const { failure, isBusy, submit } = useForm()
const told = ref<Training[]>([])
const cursor = ref<string | null>(null)
const isLoaded = ref(false)

const load = () =>
  submit(
    ENDPOINTS.listPastTrainings.query,
    cursor.value === null ? {} : { cursor: cursor.value },
    async (query) => {
      const page = await call(ENDPOINTS.listPastTrainings, { query })
      for (const each of page.trainings) trainings.see(each)
      told.value = [...told.value, ...page.trainings]
      cursor.value = page.nextCursor
      isLoaded.value = true
    },
  )
onMounted(load)

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
    <FormFailure :says="failure" />
    <EmptyPlace v-if="isLoaded && rows.length === 0" :says="t('training.nonePast')" />
    <ul>
      <li v-for="row in rows" :key="row.trainingId">
        <RouterLink :to="{ name: 'training', params: { trainingId: row.trainingId } }">
          <strong>{{ row.title }}</strong> <span>{{ row.when }}</span>
        </RouterLink>
        <span class="soft">{{ [row.people, row.recipe].filter((each) => each !== '').join(' · ') }}</span>
      </li>
    </ul>
    <Button v-if="cursor !== null" size="large" :loading="isBusy" @click="load">{{
      t('training.more')
    }}</Button>
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
