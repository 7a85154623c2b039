<script setup lang="ts">
import { type Recipe, type Vessel, roundG } from '@calm-apron/core'
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

const cups = computed(() => props.vessels.filter((vessel) => vessel.kind === 'cup'))
const says = computed(() => {
  if (props.read.netG === null || !props.recipe) return ''
  const overG = roundG(props.read.netG - props.recipe.yieldG)
  if (overG === 0) return t('cupSays.on')
  return t(overG > 0 ? 'cupSays.over' : 'cupSays.under', { amount: format.massApart(overG) })
})
</script>

<template>
  <WeighFields v-model="draft.cup" :read="read" :unit="draft.massUnit" :vessels="cups" />
  <p v-if="says" class="says" role="status">{{ says }}</p>
</template>

<style scoped>
.says {
  margin: 12px 0 0;
  font-size: 1.1em;
}
</style>
