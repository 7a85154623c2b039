<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import EmptyPlace from './EmptyPlace.vue'

const { t } = useI18n()
</script>

<template>
  <h1 class="visually-hidden" tabindex="-1">{{ t('app.notFound') }}</h1>
  <EmptyPlace :says="t('app.notFound')" :action="t('app.toToday')" :to="{ name: 'today' }" />
</template>
