<script setup lang="ts">
import type { RoomPart } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'

/** Whether a first shot could be pulled here, and if not, the next thing to see to. */
defineProps<{ readiness: { isReady: boolean; missing: RoomPart[]; later: RoomPart[] } }>()
const { t } = useI18n()
</script>

<template>
  <section class="ready" :class="{ is: readiness.isReady }" role="status" :aria-label="t('room.readyTitle')">
    <strong>{{ readiness.isReady ? t('room.ready') : t('room.notReady') }}</strong>
    <ol v-if="readiness.missing.length > 0">
      <li v-for="part in readiness.missing" :key="part">{{ t(`room.missing.${part}`) }}</li>
    </ol>
    <p v-if="readiness.later.length > 0" class="soft">
      {{ t('room.later') }} {{ readiness.later.map((part) => t(`room.missing.${part}`)).join(' ') }}
    </p>
  </section>
</template>

<style scoped>
.ready {
  padding: 12px 16px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
.ready.is {
  border-color: var(--pine);
  background: var(--pine-soft);
}
ol {
  list-style: decimal;
  padding-left: 24px;
}
p {
  margin: 4px 0 0;
}
.soft {
  color: var(--ink);
}
</style>
