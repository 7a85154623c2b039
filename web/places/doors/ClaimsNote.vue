<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute } from 'vue-router'
import NoteBar from '../../kit/parts/NoteBar.vue'
import { useClaims } from '../../data/door/claims.ts'

/** Something stands in one's name that another sent: said until it was looked at. */
const { t } = useI18n()
const route = useRoute()
const claims = useClaims()
</script>

<template>
  <NoteBar v-if="claims.claims.length > 0 && route.name !== 'you'">
    <span>{{ t('whoIsHere.claims', claims.claims.length) }}</span>
    <RouterLink :to="{ name: 'you' }">{{ t('whoIsHere.lookAtClaims') }}</RouterLink>
  </NoteBar>
</template>
