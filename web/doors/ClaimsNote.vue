<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute } from 'vue-router'
import { useClaims } from './claims.ts'

/** Something stands in one's name that another sent: said until it was looked at. */
const { t } = useI18n()
const route = useRoute()
const claims = useClaims()
</script>

<template>
  <div v-if="claims.claims.length > 0 && route.name !== 'you'" class="note" role="status">
    <span>{{ t('door.claims', claims.claims.length) }}</span>
    <RouterLink :to="{ name: 'you' }">{{ t('door.lookAtClaims') }}</RouterLink>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 16px;
  padding: 4px 24px;
  background: var(--ochre-soft);
}
.note a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
