<script setup lang="ts">
import { type Recipe, type Vessel, doseTrimG } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../units/useFormat.ts'
import type { ReadWeighing } from '../readEntry.ts'
import type { ShotDraft } from '../shotDraft.ts'
import WeighFields from '../WeighFields.vue'

const props = defineProps<{ read: ReadWeighing; recipe: Recipe | null; vessels: readonly Vessel[] }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()

const holdsGrounds = computed(() => props.vessels.filter((vessel) => vessel.kind !== 'cup'))
const trim = computed(() => {
  if (props.read.netG === null || !props.recipe) return ''
  const trimG = doseTrimG(props.read.netG, props.recipe.doseG)
  if (trimG === 0) return t('trim.on')
  const isLittle = Math.abs(trimG) <= props.recipe.doseToleranceG
  return t(`trim.${trimG < 0 ? 'out' : 'add'}${isLittle ? 'Little' : ''}`, {
    amount: format.massApart(trimG),
  })
})
</script>

<template>
  <WeighFields
    v-model="draft.dose"
    :read="read"
    :unit="draft.massUnit"
    :vessels="holdsGrounds"
    :dose-target-g="recipe?.doseG ?? 0"
  />
  <p v-if="trim" class="trim" role="status">{{ trim }}</p>
</template>

<style scoped>
.trim {
  margin: 12px 0 0;
  font-size: 1.1em;
}
</style>
