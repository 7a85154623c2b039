<script setup lang="ts">
import type { LeftReady } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { reactive } from 'vue'
import { useI18n } from 'vue-i18n'

/** The bench is left ready for whoever comes next; who and when is noted with it. */
const emit = defineEmits<{ end: [left: LeftReady]; close: [] }>()
const { t } = useI18n()
const left = reactive<LeftReady>({ rinsed: false, wiped: false, handleBack: false })
const parts = ['rinsed', 'wiped', 'handleBack'] as const
</script>

<template>
  <section class="leave" aria-labelledby="leave">
    <h2 id="leave">{{ t('leave.title') }}</h2>
    <label v-for="part in parts" :key="part" class="part">
      <input v-model="left[part]" type="checkbox" />{{ t(`leave.${part}`) }}
    </label>
    <p class="soft">{{ t('leave.hint') }}</p>
    <div class="actions">
      <PressButton kind="primary" is-large @click="emit('end', { ...left })">{{
        t('leave.end')
      }}</PressButton>
      <PressButton is-large @click="emit('close')">{{ t('leave.back') }}</PressButton>
    </div>
  </section>
</template>

<style scoped>
.leave {
  padding: 16px 20px;
  border-left: 6px solid var(--pine);
  background: var(--raised);
}
.part {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 56px;
  font-size: 1.125rem;
}
.part input {
  width: 32px;
  height: 32px;
  accent-color: var(--pine);
}
.actions :deep(.press-button) {
  min-height: 56px;
}
</style>
