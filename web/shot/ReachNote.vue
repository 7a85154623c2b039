<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useAppFiles } from '../data/files/appFiles.ts'

/** Whether the line may go now: said before it does. */
const { t } = useI18n()
const files = useAppFiles()
</script>

<template>
  <span class="reach" role="status" :data-reach="files.reach">{{ t(`app.reach.${files.reach}`) }}</span>
</template>

<style scoped>
.reach {
  color: var(--ink-soft);
}
.reach[data-reach='not-yet'] {
  color: var(--ochre);
}
</style>
