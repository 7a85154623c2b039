<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useAwaiting } from '../../data/academy/useAwaiting.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import ShotRow from '../../shot/reading/ShotRow.vue'

/**
 * What was pulled in a training, newest first, each with its rails and heading; one that waits for its call says only
 * that, for the tablet stands where whoever pulled it looks.
 */
const props = defineProps<{
  listed: readonly ListedShot[]
  isCounted: boolean
  isOver: boolean
  isBegun: boolean
}>()
const { t } = useI18n()
const academy = useAcademy()
const awaiting = useAwaiting()
const format = useFormat()

const title = computed(() => {
  if (!props.isCounted) return t('app.loading')
  const isFirst = props.isBegun && props.listed.length === 0
  if (props.isOver) return t('lead.shotsOf', props.listed.length)
  return isFirst ? t('lead.firstBegun') : t('lead.pulled', props.listed.length)
})

const SHOWN = 8
const rows = computed(() => {
  const waiting = new Set(awaiting.value.map(({ shotId }) => shotId))
  // While it is on the newest are enough; once it is over, it is looked at as a whole.
  return props.listed.slice(0, props.isOver ? undefined : SHOWN).map((each) => ({
    listed: each,
    waits: waiting.has(each.shot.shotId),
  }))
})
</script>

<template>
  <section aria-labelledby="pulled">
    <h2 id="pulled">{{ title }}</h2>
    <p v-if="isCounted && listed.length === 0 && !isOver && !isBegun" class="soft">
      {{ t('lead.nonePulled') }}
    </p>
    <ol>
      <template v-for="{ listed: row, waits } in rows" :key="row.shot.shotId">
        <li v-if="waits" class="waits">
          <RouterLink :to="{ name: 'tasting', params: { shotId: row.shot.shotId } }">
            {{ academy.personName(row.shot.personId) }},
            {{ format.timeOf(row.shot.pulledAt, academy.timeZone) }}</RouterLink
          >
          <span class="soft">{{ t('turns.waits') }}</span>
        </li>
        <ShotRow v-else :listed="row" is-named />
      </template>
    </ol>
    <slot />
  </section>
</template>

<style scoped>
.waits {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 56px;
  padding: 0 8px;
  border-top: 1px solid var(--mist);
}
section > :slotted(p) {
  margin: 12px 0 0;
}
</style>
