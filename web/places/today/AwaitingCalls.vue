<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useAwaiting } from '../../data/academy/useAwaiting.ts'
import { useDoor } from '../../data/door/door.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Shots whose reading waits for a call: of whoever is here, or, for those who teach, of anyone. */
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const awaiting = useAwaiting()
const format = useFormat()

const rows = computed(() => {
  const isSeen = ({ personId }: { personId: string }) => door.may('see-tasting', personId === door.personId)
  return awaiting.value.filter(isSeen).map(({ shotId, personId, pulledAt }) => ({
    shotId,
    says: t('today.awaitingShot', {
      person: academy.personName(personId),
      time: format.timeOf(pulledAt, academy.timeZone),
    }),
  }))
})
</script>

<template>
  <section v-if="rows.length > 0" aria-labelledby="awaiting">
    <h2 id="awaiting">{{ t('today.awaiting') }}</h2>
    <ul>
      <li v-for="row in rows" :key="row.shotId">
        <RouterLink class="row" :to="{ name: 'tasting', params: { shotId: row.shotId } }">{{
          row.says
        }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--mist);
}
</style>
