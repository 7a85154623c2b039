<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../data/academy/academy.ts'
import { useOutbox } from '../data/outbox/outbox.ts'
import { useFormat } from '../kit/units/useFormat.ts'
import { useLineState } from './useLineState.ts'

/** The one place that says how this device stands to the others: in step, or of when, and what is kept here unsent. */
const { t } = useI18n()
const academy = useAcademy()
const outbox = useOutbox()
const format = useFormat()
const line = useLineState()

/** What is said, and what of it there is room for on a phone. */
const says = computed<{ whole: string; short: string } | null>(() => {
  if (line.value === null) return null
  const { state, ofMs } = line.value
  const isTimed = state !== 'in-step' && ofMs !== 0
  const key = isTimed ? (`${state}Of` as const) : state
  // Only where it is said: the first time of day that a page works out takes a slow tablet a fifth of a second.
  const time = isTimed ? format.timeOf(new Date(ofMs).toISOString(), academy.timeZone) : ''
  const whole = t(`line.${key}`, { time })
  return { whole, short: key === 'away' || key === 'awayOf' ? t(`line.short.${key}`, { time }) : whole }
})
</script>

<template>
  <span
    class="line"
    :class="line?.state"
    :data-line="line?.state"
    role="status"
    :title="line ? t(`line.why.${line.state}`) : ''"
  >
    <span v-if="says" class="says whole">{{ says.whole }}</span>
    <span v-if="says" class="says short">{{ says.short }}</span>
    <RouterLink
      v-if="outbox.writes.length > 0"
      :to="{ name: 'waiting' }"
      class="waiting"
      :class="{ refused: outbox.refused.length > 0 }"
    >
      {{
        outbox.refused.length > 0
          ? t('app.refused', outbox.refused.length)
          : t('app.waiting', outbox.waiting.length)
      }}
    </RouterLink>
  </span>
</template>

<style scoped>
.line {
  display: inline-flex;
  align-items: center;
  gap: 4px 16px;
  flex-wrap: wrap;
}
.says {
  color: var(--ink-soft);
}
.short {
  display: none;
}
@media (max-width: 1100px) {
  .whole {
    display: none;
  }
  .short {
    display: inline;
  }
}
.away .says,
.behind .says {
  color: var(--ochre);
  font-weight: 650;
}
.waiting {
  min-height: 52px;
  display: inline-flex;
  align-items: center;
  color: var(--ochre);
  font-weight: 650;
}
.waiting.refused {
  color: var(--plum);
}
</style>
