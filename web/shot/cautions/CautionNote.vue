<script setup lang="ts">
import { type Act, CAUTION_KEYS } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useCautions } from './useCautions.ts'

/** The cautions of one act, where the act happens. */
const props = defineProps<{ act: Act }>()
const { t } = useI18n()
const cautions = useCautions()

const shown = computed(() => cautions.at(props.act))
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
