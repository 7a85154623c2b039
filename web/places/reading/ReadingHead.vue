<script setup lang="ts">
import type { ShotDetail, Tasting } from '@calm-apron/contract'
import { isCounted } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Whose shot it is and of when, by which recipe, and what it was for, now and before. */
const props = defineProps<{ shot: ShotDetail; repurposings: Tasting['repurposings'] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

/** How it was called before, and why it was called otherwise. */
const calledBefore = computed(() =>
  props.repurposings.map(({ repurposingId, purposeBefore, repurposedBy, reason }) => ({
    repurposingId,
    says: t('repurpose.was', {
      purpose: t(`purpose.${purposeBefore}`),
      person: academy.personName(repurposedBy) || t('app.someoneErased'),
      reason,
    }),
  })),
)
</script>

<template>
  <header>
    <h1 tabindex="-1">
      {{
        t('reading.of', {
          person: academy.personName(shot.personId),
          date: format.dateOf(shot.pulledAt, academy.timeZone),
          time: format.timeOf(shot.pulledAt, academy.timeZone),
        })
      }}
    </h1>
    <p class="soft">{{ t('reading.judged', { name: shot.recipe.name, no: shot.recipe.revisionNo }) }}</p>
    <p v-if="shot.isSimulated" class="soft" data-simulated>{{ t('purpose.simulatedMark') }}</p>
    <p v-else-if="!isCounted(shot.purpose)" class="soft">
      {{ t('purpose.uncounted', { purpose: t(`purpose.${shot.purpose}`) }) }}
      <template v-if="shot.faultShown">{{ t(`purpose.fault.${shot.faultShown}`) }}</template>
    </p>
    <p v-for="each in calledBefore" :key="each.repurposingId" class="soft">{{ each.says }}</p>
    <p v-if="shot.clockAheadS" class="soft">
      {{ t('reading.clockAhead', { min: Math.round(shot.clockAheadS / 60) }) }}
    </p>
  </header>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
