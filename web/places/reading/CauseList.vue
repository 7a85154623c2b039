<script setup lang="ts">
import type { Diagnosis } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

/** The likeliest causes with their probabilities, for whoever wants to see how sure the reading is. */
const props = defineProps<{ causes: Diagnosis['causes'] }>()
const { t } = useI18n()
const format = useFormat()

const MOST = 6
const WORTH_SHOWING = 0.02
const shown = computed(() =>
  props.causes.slice(0, MOST).filter(({ probability }) => probability >= WORTH_SHOWING),
)
</script>

<template>
  <section class="causes" aria-labelledby="causes">
    <h3 id="causes">{{ t('reading.allCauses') }}</h3>
    <ul>
      <li v-for="{ cause, probability } in shown" :key="cause">
        <span class="name">{{ t(`cause.${cause}`) }}</span>
        <span class="bar" aria-hidden="true"><span :style="{ width: `${probability * 100}%` }"></span></span>
        <span class="figure">{{ format.percent(probability) }}</span>
      </li>
    </ul>
    <p class="soft">{{ t('reading.twoAtOnce') }}</p>
  </section>
</template>

<style scoped>
h3 {
  font-size: 1rem;
  margin: 8px 0;
}
ul {
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 30% 3.5em;
  gap: 12px;
  align-items: center;
}
.name::first-letter {
  text-transform: uppercase;
}
.bar {
  height: 8px;
  background: var(--mist);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--pine);
}
.figure {
  text-align: right;
}
</style>
