<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../store/academy.ts'
import { useFormat } from '../units/useFormat.ts'
import CoffeeCare from './CoffeeCare.vue'
import OpenDrafts from './OpenDrafts.vue'
import ShotStarter from './ShotStarter.vue'

const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const now = useNow({ interval: 60_000 })
const today = computed(() => academy.today)
const date = computed(() => format.dateOf(now.value, academy.timeZone))
</script>

<template>
  <div v-if="today" class="today">
    <header class="head">
      <h1 tabindex="-1">{{ t('place.today') }}, {{ date }}</h1>
      <p class="soft">{{ t('today.greeting', { academy: today.academy.name, town: today.academy.town }) }}</p>
    </header>
    <div class="main"><ShotStarter /></div>
    <div class="side">
      <OpenDrafts />
      <section aria-labelledby="coffee">
        <h2 id="coffee">{{ t('today.coffee') }}</h2>
        <CoffeeCare v-for="coffee in today.coffees" :key="coffee.coffeeId" :coffee="coffee" />
      </section>
      <section v-for="bar in today.bars" :key="bar.barId" :aria-label="bar.name">
        <h2>{{ t('today.bar') }}</h2>
        <p>
          <strong>{{ bar.name }}</strong> <span class="soft">{{ bar.machineName }}</span>
        </p>
        <p v-for="grinder in bar.grinders" :key="grinder.grinderId">
          {{ grinder.name }}
          <span class="soft">{{
            t('field.grindHint', {
              min: grinder.minSetting,
              max: grinder.maxSetting,
              grinder: t('today.grinder').toLowerCase(),
              finer: t(`field.${grinder.finerIs}`),
            })
          }}</span>
        </p>
        <h3>{{ t('today.vessels') }}</h3>
        <ul class="vessels">
          <li v-for="vessel in bar.vessels" :key="vessel.id">
            {{ vessel.name }} <span class="figure">{{ format.mass(vessel.emptyG) }}</span>
          </li>
        </ul>
      </section>
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
.main {
  grid-area: main;
}
.side {
  grid-area: side;
  display: grid;
  gap: 24px;
  align-content: start;
}
.vessels li {
  display: flex;
  justify-content: space-between;
  padding: 4px 0;
  border-bottom: 1px solid var(--mist);
}
@media (max-width: 860px) {
  .today {
    grid-template: 'head' auto 'main' auto 'side' auto / minmax(0, 1fr);
    padding: 16px;
  }
}
</style>
