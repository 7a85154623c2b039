<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import DialogFrame from '../kit/parts/DialogFrame.vue'

const isOpen = defineModel<boolean>('open', { required: true })
const { t } = useI18n()
const rows = [
  { keys: ['space'], says: 'keys.space' },
  { keys: ['1', '…', '7'], says: 'keys.digits' },
  { keys: ['u'], says: 'keys.undo' },
  { keys: ['g'], says: 'keys.go' },
  { keys: ['/'], says: 'keys.search' },
  { keys: ['?'], says: 'keys.help' },
]
</script>

<template>
  <DialogFrame v-model:open="isOpen" :title="t('keys.title')">
    <dl class="keys">
      <template v-for="row in rows" :key="row.says">
        <dt>
          <kbd v-for="key in row.keys" :key="key">{{ key }}</kbd>
        </dt>
        <dd>{{ t(row.says) }}</dd>
      </template>
    </dl>
  </DialogFrame>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 16px;
  margin: 0;
}
dd {
  margin: 0;
}
kbd {
  padding: 2px 6px;
  margin-right: 4px;
  border: 1px solid var(--edge);
  border-radius: 4px;
  font-family: var(--figure-font);
}
</style>
