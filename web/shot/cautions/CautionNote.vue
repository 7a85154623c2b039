<script setup lang="ts">
import { type Act, CAUTION_KEYS } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useCautions } from './useCautions.ts'

/** The cautions of an act, where the act happens; with those of what follows it where no page of its own is shown for that. */
const props = defineProps<{ act: Act; also?: readonly Act[] }>()
const { t } = useI18n()
const cautions = useCautions()

const shown = computed(() => [props.act, ...(props.also ?? [])].flatMap((act) => cautions.at(act)))
// The maker's manual and the law come before anything said here.
const first = computed(() => cautions.shipped(CAUTION_KEYS[0]))
</script>

<template>
  <details class="caution">
    <summary>{{ t('caution.title') }}</summary>
    <ul>
      <li v-for="each in shown" :key="each.id">{{ each.text }}</li>
      <li>{{ first }}</li>
    </ul>
  </details>
</template>

<style scoped>
.caution {
  border-left: 4px solid var(--plum);
  padding-left: 12px;
}
ul {
  padding: 0 0 8px 20px;
  list-style: disc;
}
</style>
