<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import ReachNote from '../../shot/ReachNote.vue'
import OpenDrafts from '../../shot/start/OpenDrafts.vue'
import { useDrafts } from '../../shot/draft/drafts.ts'
import ShotStarter from '../../shot/start/ShotStarter.vue'

const { t } = useI18n()
/** What is begun stands above: nothing may move from under a finger. */
const drafts = useDrafts()
</script>

<template>
  <div class="start">
    <h1 tabindex="-1">{{ t('place.bar') }}</h1>
    <OpenDrafts />
    <p>{{ t('today.nobodyAtBar') }}</p>
    <p class="note"><ReachNote /></p>
    <ShotStarter v-if="drafts.isRead" />
  </div>
</template>

<style scoped>
.note {
  margin: 0;
}
.start {
  display: grid;
  gap: 24px;
  max-width: 860px;
  margin: 0 auto;
  padding: 24px;
}
</style>
