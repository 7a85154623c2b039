<script setup lang="ts">
import type { Programme } from '@calm-apron/core'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import PressButton from '../../kit/parts/PressButton.vue'

/** A card of ticks: what was shown is ticked as it is seen, over a day or a week. */
const props = defineProps<{
  programme: Programme
  ticked: readonly string[]
  isBusy: boolean
  failure: string
}>()
const emit = defineEmits<{ keep: [ticks: string[]] }>()
const { t } = useI18n()
const now = ref<string[]>([...props.ticked])
</script>

<template>
  <form class="card" aria-labelledby="card" @submit.prevent="emit('keep', now)">
    <h2 id="card">{{ t('signOff.page.card') }}</h2>
    <label v-for="tick in programme.ticks" :key="tick">
      <input v-model="now" type="checkbox" :value="tick" />
      {{ tick }}
    </label>
    <FormFailure :says="failure" />
    <PressButton type="submit" :is-busy="isBusy">{{ t('signOff.page.keepTicks') }}</PressButton>
  </form>
</template>

<style scoped>
.card {
  display: grid;
  gap: 4px;
  justify-items: start;
}
h2 {
  margin: 0;
}
label {
  min-height: 44px;
  display: flex;
  align-items: center;
  gap: 12px;
}
input {
  width: 24px;
  height: 24px;
  accent-color: var(--pine);
}
</style>
