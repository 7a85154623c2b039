<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import FormField from '../../kit/forms/FormField.vue'
import PressButton from '../../kit/parts/PressButton.vue'

/** Something said otherwise of a shot, with a reason: what it is stands in the slot. */
defineProps<{ label: string; hint: string; issue: string | undefined; keep: string; isIdle: boolean }>()
const emit = defineEmits<{ said: []; close: [] }>()
const reason = defineModel<string>('reason', { required: true })
const { t } = useI18n()
</script>

<template>
  <form class="reasoned" @submit.prevent="emit('said')">
    <slot />
    <FormField
      v-model="reason"
      :label="label"
      :hint="hint"
      :issue="issue"
      :maxlength="BOUNDS.reasonLength.max"
    />
    <div class="actions">
      <PressButton kind="primary" type="submit" :disabled="isIdle">{{ keep }}</PressButton>
      <PressButton @click="emit('close')">{{ t('ruling.cancel') }}</PressButton>
    </div>
  </form>
</template>

<style scoped>
.reasoned {
  display: grid;
  gap: 16px;
  padding: 16px 20px;
  border-left: 6px solid var(--edge);
  background: var(--raised);
}
</style>
