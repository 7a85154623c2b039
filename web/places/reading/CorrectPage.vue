<script setup lang="ts">
import { ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { type ShotDraft, draftOf } from '../../shot/draft/shotDraft.ts'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { usePreferences } from '../../kit/preferences.ts'
import CorrectionDesk from './CorrectionDesk.vue'
import { useShotReading } from '../../shot/reading/useShotReading.ts'

const props = defineProps<{ shotId: string }>()
const { t } = useI18n()
const drafts = useDrafts()
const preferences = usePreferences()
const { shot, state } = useShotReading(() => props.shotId)
const found = ref<ShotDraft | null>(null)

watch(
  shot,
  async (detail) => {
    if (detail === null || found.value !== null) return
    const kept = await drafts.find(props.shotId)
    if (kept?.correcting) {
      found.value = kept
      return
    }
    const { current, recipe: _recipe, revisions: _revisions, pulledAt: _pulledAt, ...rest } = detail
    const { series: _series, tasted: _tasted, ...setting } = rest
    found.value = draftOf(
      {
        ...setting,
        note: current.note,
        madeAt: new Date().toISOString(),
        units: { ...preferences.units },
        correcting: { basedOnNo: current.revisionNo, reason: '' },
      },
      current.facts,
    )
  },
  { immediate: true },
)
</script>

<template>
  <CorrectionDesk v-if="found && shot" :found="found" :shot="shot" />
  <EmptyPlace
    v-else-if="state === 'not-there'"
    :says="t('reading.notThere')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
  <EmptyPlace v-else :says="t('app.loading')" />
</template>
