<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import OpenDrafts from '../today/OpenDrafts.vue'
import ShotStarter from '../today/ShotStarter.vue'

const { t } = useI18n()
</script>

<template>
  <div class="start">
    <h1 tabindex="-1">{{ t('bar.title') }}</h1>
    <OpenDrafts />
    <p>{{ t('bar.choose') }}</p>
    <ShotStarter />
  </div>
</template>

<style scoped>
.start {
  display: grid;
  gap: 24px;
  max-width: 860px;
  margin: 0 auto;
  padding: 24px;
}
</style>
