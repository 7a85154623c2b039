<script setup lang="ts">
import { CAFFEINE_GUIDANCE_MG } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useDoor } from '../../data/door/door.ts'
import { useCupsTasted } from './cupsTasted.ts'

/** What whoever tastes should know: that a tongue tires, and, for whoever asked for it, how much caffeine it has been. */
const props = defineProps<{ personId: string }>()
const { t } = useI18n()
const door = useDoor()
const cups = useCupsTasted()

const rest = computed(() => cups.restAfter(props.personId))
const caffeine = computed(() => (props.personId === door.personId ? cups.caffeineHere() : null))
const isMuch = computed(() => (caffeine.value ?? 0) >= CAFFEINE_GUIDANCE_MG.pregnant)
</script>

<template>
  <p class="soft">{{ t('taste.caffeine') }}</p>
  <p v-if="rest !== null" class="rest" role="note" data-rest>{{ t('taste.rest', { cups: rest }) }}</p>
  <p v-if="caffeine !== null" :class="isMuch ? 'rest' : 'soft'" data-caffeine>
    {{ t('taste.soFar', { mg: caffeine.toFixed(0) }) }}
    <template v-if="isMuch">{{ t('taste.guidance', { ...CAFFEINE_GUIDANCE_MG }) }}</template>
  </p>
</template>

<style scoped>
.rest {
  margin: 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
</style>
