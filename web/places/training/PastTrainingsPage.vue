<script setup lang="ts">
import { type TrainingSetup, trainingState } from '@calm-apron/core'
import MoreButton from '../../kit/parts/MoreButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { pastTrainingsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import ProgressTabs from '../../shot/ProgressTabs.vue'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Trainings that are over: when, with whom, by which recipe. */
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const format = useFormat()
const pages = ref(1)
const answer = useAnswer(() => pastTrainingsAsked(pages.value))
const told = computed(() => answer.value.value?.trainings ?? [])

async function more(): Promise<void> {
  pages.value += 1
  await answer.load()
}

/** Who pulled how many; who sat in it and pulled none is named too. */
function peopleOf(trainingId: string, { seats }: TrainingSetup): string {
  const turns = (answer.value.value?.turns ?? []).filter((each) => each.trainingId === trainingId)
  const countOf = (personId: string) => turns.find((each) => each.personId === personId)?.shots ?? 0
  const ids = new Set([...turns, ...seats].map(({ personId }) => personId))
  if (!door.isStaff) {
    const names = seats.map(({ personId }) => academy.personName(personId))
    return `${names.join(', ')} · ${t('session.noneOf', countOf(door.personId))}`
  }
  return [...ids]
    .map((personId) =>
      t('session.pulled', { person: academy.personName(personId), count: countOf(personId) }),
    )
    .join(', ')
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
        ? `${t('session.sinceOnDay', { date, from })}, ${t('session.neverEnded')}`
        : t('training.onDay', { date, from, to: format.timeOf(ended.at, academy.timeZone) })
    return [
      {
        trainingId,
        title: t(`training.title.${setup.purpose}`),
        when,
        people: peopleOf(trainingId, setup),
        recipe: academy.recipe(setup.recipeRevisionId)?.name ?? '',
      },
    ]
  }),
)
</script>

<template>
  <div class="past">
    <ProgressTabs />
    <h1 tabindex="-1">{{ t('training.past') }}</h1>
    <EmptyPlace v-if="answer.value.value && rows.length === 0" :says="t('session.nonePast')" />
    <EmptyPlace v-else-if="answer.state.value === 'away'" :says="t('session.pastOffline')" />
    <ul>
      <li v-for="row in rows" :key="row.trainingId">
        <RouterLink :to="{ name: 'training', params: { trainingId: row.trainingId } }">
          <strong>{{ row.title }}</strong> <span>{{ row.when }}</span>
        </RouterLink>
        <span class="soft">{{ [row.people, row.recipe].filter((each) => each !== '').join(' · ') }}</span>
      </li>
    </ul>
    <MoreButton v-if="answer.value.value?.hasMore" is-large :load="more">{{ t('session.more') }}</MoreButton>
  </div>
</template>

<style scoped>
.past {
  display: grid;
  gap: 16px;
  max-width: 1240px;
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
