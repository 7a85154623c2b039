<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { provideSizes } from '../../kit/theme/placeSizes.ts'
import ShotDesk from './ShotDesk.vue'
import { type ShotRun, useShotRuns } from '../../shot/run/shotRuns.ts'

const props = defineProps<{ shotId: string }>()
const { t } = useI18n()
const router = useRouter()
const drafts = useDrafts()
const runs = useShotRuns()
provideSizes('bar')
const found = shallowRef<ShotRun | null | 'looking'>('looking')

watch(
  () => props.shotId,
  async (shotId) => {
    found.value = 'looking'
    const draft = await drafts.find(shotId)
    if (draft?.correcting) await router.replace({ name: 'correct', params: { shotId } })
    else found.value = await runs.open(shotId)
  },
  { immediate: true },
)
</script>

<template>
  <h1 class="visually-hidden" tabindex="-1">{{ t('place.bar') }}</h1>
  <ShotDesk v-if="found !== 'looking' && found !== null" :key="shotId" :run="found" />
  <EmptyPlace
    v-else-if="found === null"
    :says="t('bar.notHere')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
</template>
