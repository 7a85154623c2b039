<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { withWords } from '../../words/index.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { RouterLink } from 'vue-router'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import CareList from './CareList.vue'
import CoffeeCare from './CoffeeCare.vue'
import OpenDrafts from '../../shot/start/OpenDrafts.vue'
import AwaitingCalls from './AwaitingCalls.vue'
import ShotStarter from '../../shot/start/ShotStarter.vue'
import TrainingsOn from './TrainingsOn.vue'
import { useInTurn } from './useInTurn.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
/** Fetched with its words by whoever learns; those who teach never need it. */
const OwnNext = defineAsyncComponent(withWords('progress', () => import('./OwnNext.vue')))
const AssessmentsWaiting = defineAsyncComponent(
  withWords('signOff', () => import('./AssessmentsWaiting.vue')),
)
const assessments = useAssessments()
const { stands, ownSkill, hasTrainings, hasOwn, hasWaiting } = useInTurn()
const format = useFormat()
const now = useTimeOfDay(60_000)
const today = computed(() => academy.today)
/** Coffees with a bag open in a hopper: what is pulled today. */
const inUse = computed(() =>
  (today.value?.coffees ?? []).filter(({ bags }) =>
    bags.some(({ openedOn, keptIn }) => openedOn !== null && keptIn === 'hopper'),
  ),
)
const date = computed(() => format.dateOf(now.value, academy.timeZone))
</script>

<template>
  <div v-if="today" class="today">
    <header class="head">
      <h1 tabindex="-1">{{ t('place.today') }}, {{ date }}</h1>
      <p class="soft">{{ t('today.greeting', { academy: today.academy.name, town: today.academy.town }) }}</p>
    </header>
    <div class="main">
      <AwaitingCalls v-if="!door.isStaff" />
      <TrainingsOn v-if="hasTrainings" />
      <OwnNext v-if="!door.isStaff && hasTrainings" :skill="ownSkill" @stands="stands.own = true" />
      <section v-if="hasOwn" aria-labelledby="one-shot">
        <h2 id="one-shot">{{ t('today.oneShot') }}</h2>
        <ShotStarter />
      </section>
    </div>
    <div v-if="hasOwn" class="side">
      <p v-if="today.unreadable.length > 0" class="unreadable" role="note">
        {{
          t(
            'today.unreadable',
            { names: today.unreadable.map(({ name }) => name).join(', ') },
            today.unreadable.length,
          )
        }}
      </p>
      <AwaitingCalls v-if="door.isStaff" />
      <AssessmentsWaiting v-if="assessments.open.length > 0" @stands="stands.assessments = true" />
      <OpenDrafts />
      <template v-if="hasWaiting">
        <CareList />
        <section aria-labelledby="coffee">
          <h2 id="coffee">{{ t('today.coffee') }}</h2>
          <CoffeeCare v-for="coffee in inUse" :key="coffee.coffeeId" :coffee="coffee" />
          <p v-if="inUse.length === 0" class="soft">{{ t('today.noBag') }}</p>
        </section>
        <section v-if="today.bars.length === 0" aria-labelledby="no-bar">
          <h2 id="no-bar">{{ t('today.bar') }}</h2>
          <p>
            {{ t('today.noBar') }}
            <RouterLink :to="{ name: 'rooms' }">{{ t('today.prepareBar') }}</RouterLink>
          </p>
        </section>
      </template>
    </div>
  </div>
</template>

<style scoped>
.today {
  display: grid;
  grid-template: 'head head' auto 'main side' auto / minmax(0, 1fr) 380px;
  gap: 24px 56px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
.head {
  grid-area: head;
}
.unreadable {
  padding: 10px 16px;
  border-left: 4px solid var(--ochre);
}
.main {
  grid-area: main;
  display: grid;
  gap: 28px;
  align-content: start;
}
.side {
  grid-area: side;
  display: grid;
  gap: 24px;
  align-content: start;
}
@media (max-width: 860px) {
  .today {
    grid-template: 'head' auto 'main' auto 'side' auto / minmax(0, 1fr);
    padding: 16px;
  }
}
</style>
