<script setup lang="ts">
import { type UnitOf, type Vessel, asTyped, rescueForgottenTare } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import NumberEntry from '../../kit/parts/NumberEntry.vue'
import type { ReadWeighing } from '../draft/readEntry.ts'
import type { WeighingEntry } from '../draft/shotDraft.ts'
import { useIssueWords } from '../draft/useIssueWords.ts'

const props = defineProps<{
  read: ReadWeighing
  unit: UnitOf<'mass'>
  vessels: readonly Vessel[]
  /** Where a dose is weighed, its target in g; a reading far above it may be a forgotten tare. */
  doseTargetG?: number
}>()
const entry = defineModel<WeighingEntry>({ required: true })
const { t } = useI18n()
const issueWords = useIssueWords()

const inUnit = (g: number) => asTyped(props.unit, g)
const withUnit = (g: number) => `${inUnit(g)} ${t(`unit.${props.unit}`)}`

const ways = computed(() => [
  { value: 'gross' as const, label: t('field.wayGross') },
  { value: 'net' as const, label: t('field.wayNet') },
])
const vesselOptions = computed(() => [
  ...props.vessels.map((vessel) => ({ value: vessel.id, label: vessel.name })),
  { value: null, label: t('field.otherVessel') },
])

/** A remembered empty weight comes with its vessel. */
const vesselId = computed({
  get: () => entry.value.vesselId,
  set: (id: string | null) => {
    const vessel = props.vessels.find((each) => each.id === id)
    entry.value.vesselId = id
    entry.value.tareText = vessel ? inUnit(vessel.emptyG) : ''
  },
})
/** Another empty weight typed by hand is no longer the remembered one. */
const tareText = computed({
  get: () => entry.value.tareText,
  set: (text: string) => {
    entry.value.tareText = text
    const vessel = props.vessels.find((each) => each.id === entry.value.vesselId)
    if (vessel && inUnit(vessel.emptyG) !== text.trim().replace(',', '.')) entry.value.vesselId = null
  },
})

const rescue = computed(() => {
  if (props.doseTargetG === undefined || props.read.readingG === null || props.read.weighing !== null)
    return null
  return rescueForgottenTare(props.read.readingG, props.vessels, props.doseTargetG)
})

function useRescue(): void {
  if (!rescue.value || props.read.readingG === null) return
  entry.value.way = 'gross'
  entry.value.grossText = inUnit(props.read.readingG)
  vesselId.value = rescue.value.vessel.id
}
</script>

<template>
  <div class="fields">
    <ChoiceRow v-model="entry.way" :label="t('field.way')" :options="ways" />
    <template v-if="entry.way === 'gross'">
      <ChoiceRow v-model="vesselId" :label="t('field.vessel')" :options="vesselOptions" />
      <div class="pair">
        <NumberEntry
          v-model="entry.grossText"
          :label="t('field.gross')"
          :suffix="t(`unit.${unit}`)"
          :issue="rescue ? undefined : issueWords(read.issues.gross, unit)"
        />
        <NumberEntry
          v-model="tareText"
          :label="t('field.tare')"
          :suffix="t(`unit.${unit}`)"
          :issue="rescue ? undefined : issueWords(read.issues.tare, unit)"
        />
      </div>
    </template>
    <NumberEntry
      v-else
      v-model="entry.netText"
      :label="t('field.net')"
      :suffix="t(`unit.${unit}`)"
      :issue="rescue ? undefined : issueWords(read.issues.net, unit)"
    />
    <div v-if="rescue" class="rescue" role="status">
      <p>{{ t('rescue.says', { vessel: rescue.vessel.name, net: withUnit(rescue.netG) }) }}</p>
      <PressButton @click="useRescue">{{ t('rescue.use', { net: withUnit(rescue.netG) }) }}</PressButton>
    </div>
    <p v-else-if="read.netG !== null" class="net">{{ t('field.netIs', { net: withUnit(read.netG) }) }}</p>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 12px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.rescue {
  padding: 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
.net {
  font-family: var(--figure-font);
  font-size: 2em;
  line-height: 1.1;
  margin: 0;
}
</style>
