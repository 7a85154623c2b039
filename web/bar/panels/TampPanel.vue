<script setup lang="ts">
import { SIDES, TILTS, type Tilt } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import type { ShotDraft } from '../shotDraft.ts'

const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()

const tilts = computed(() => [
  ...TILTS.map((value) => ({ value, label: t(`tilt.${value}`) })),
  { value: null, label: t('answer.unknown') },
])
const sides = computed(() => [
  ...SIDES.map((value) => ({ value, label: t(`side.${value}`) })),
  { value: null, label: t('answer.unknown') },
])
const answers = computed(() => [
  { value: true, label: t('answer.yes') },
  { value: false, label: t('answer.no') },
  { value: null, label: t('answer.unknown') },
])
/** A level bed has no low side. */
const tilt = computed({
  get: () => draft.value.tamp.tilt,
  set: (seen: Tilt | null) => {
    draft.value.tamp.tilt = seen
    if (seen === null || seen === 'level') draft.value.tamp.lowSide = null
  },
})
const isTilted = computed(() => tilt.value === 'slight' || tilt.value === 'clear')
</script>

<template>
  <div class="tamp">
    <ChoiceRow v-model="tilt" :label="t('tamp.tilt')" :options="tilts" />
    <ChoiceRow v-if="isTilted" v-model="draft.tamp.lowSide" :label="t('tamp.side')" :options="sides" />
    <ChoiceRow v-model="draft.tamp.settled" :label="t('tamp.settled')" :options="answers" />
    <p class="soft">{{ t('tamp.posture') }}</p>
  </div>
</template>

<style scoped>
.tamp {
  display: grid;
  gap: 16px;
}
</style>
