<script setup lang="ts">
import { CAFFEINE_GUIDANCE_MG } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { SWALLOWED, type Swallowed, useCupsTasted } from '../../shot/tasting/cupsTasted.ts'

/** A tally for whoever wants it: on this device, and for nobody else's eyes. */
const { t } = useI18n()
const cups = useCupsTasted()
const ways = computed(() => [
  { value: null, label: t('caffeine.off') },
  // The keys are the ways.
  ...(Object.keys(SWALLOWED) as Swallowed[]).map((value) => ({ value, label: t(`caffeine.${value}`) })),
])
const way = computed<Swallowed | null>({ get: () => cups.wayHere(), set: (chosen) => cups.count(chosen) })
const mg = computed(() => cups.caffeineHere())
</script>

<template>
  <section aria-labelledby="caffeine">
    <h2 id="caffeine">{{ t('caffeine.title') }}</h2>
    <p class="soft">{{ t('caffeine.intro') }}</p>
    <ChoiceRow v-model="way" :label="t('caffeine.how')" :options="ways" />
    <p v-if="mg !== null">
      {{ t('taste.soFar', { mg: mg.toFixed(0) }) }} {{ t('taste.guidance', { ...CAFFEINE_GUIDANCE_MG }) }}
    </p>
  </section>
</template>
