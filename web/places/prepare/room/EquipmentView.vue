<script setup lang="ts">
import type { PreparedRecord } from '@calm-apron/contract'
import { kindOf, asKind } from '@calm-apron/contract'
import { dateInZone, filterDaysLeft, mineralsG, packets } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { fieldsOf } from '../fields/fieldSpec.ts'
import { useFieldWords } from '../fields/useFieldWords.ts'

/** A small piece of equipment in a few words; what needs care stands apart. */
const props = defineProps<{ record: PreparedRecord }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const words = useFieldWords(props.record.kind)

const facts = computed(() =>
  words
    .facts(fieldsOf(kindOf(props.record.kind).content), props.record.content)
    .filter(({ path, value }) => path !== 'name' && value !== t('prepared.notSaid')),
)
const care = computed(() => {
  const water = asKind(props.record, 'water')?.content
  const scale = asKind(props.record, 'scale')?.content
  const onDate = dateInZone(new Date(), academy.timeZone)
  const says: string[] = []
  if (water) {
    const left = filterDaysLeft(water.filterChangedOn, water.filterLastsDays, onDate)
    if (left !== null) says.push(left < 0 ? t('water.overdue', -left) : t('water.filterLeft', left))
    if (water.batch !== null && water.batch.packetLitres !== null)
      says.push(
        t('room.mineralPackets', {
          litres: format.quantity('water', water.batch.litres),
          count: format.plain(packets(water.batch.litres, water.batch.packetLitres)),
        }),
      )
    else if (water.batch !== null)
      says.push(
        t('room.mineralBatch', {
          litres: format.quantity('water', water.batch.litres),
          grams: format.plain(mineralsG(water.batch.litres, water.batch.mgPerLitre)),
        }),
      )
  }
  if (scale && !scale.isThinEnough) says.push(t('scale.thick'))
  return says
})
</script>

<template>
  <div>
    <p class="facts">
      <span v-for="fact in facts" :key="fact.path">{{ fact.label }} <strong>{{ fact.value }}</strong></span>
    </p>
    <p v-for="says in care" :key="says" class="care">{{ says }}</p>
  </div>
</template>

<style scoped>
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  margin: 0;
}
.care {
  margin: 4px 0 0;
  color: var(--ochre);
}
</style>
