<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useAwaiting } from '../../data/academy/useAwaiting.ts'
import { useDoor } from '../../data/door/door.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import LinkRows from './LinkRows.vue'

/** Shots whose reading waits for a call: of whoever is here, or, for those who teach, of anyone. */
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const awaiting = useAwaiting()
const format = useFormat()

const rows = computed(() => {
  const isSeen = ({ personId }: { personId: string }) => door.may('see-tasting', personId === door.personId)
  return awaiting.value.filter(isSeen).map(({ shotId, personId, pulledAt }) => ({
    key: shotId,
    to: { name: 'tasting', params: { shotId } },
    says: t('today.awaitingShot', {
      person: academy.personName(personId),
      time: format.timeOf(pulledAt, academy.timeZone),
    }),
  }))
})
</script>

<template>
  <LinkRows :title="t('today.awaiting')" :rows="rows" />
</template>
