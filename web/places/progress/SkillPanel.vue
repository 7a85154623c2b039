<script setup lang="ts">
import { DEFAULT_PROGRAMME, READING_KINDS } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { ShownSkill } from './useSkill.ts'
import { useSkillWords } from './useSkillWords.ts'

/** Each reading's rung, how often it is on and how sure that is, bias and spread, and the way to the next rung. */
const props = defineProps<{ skill: ShownSkill }>()
const { t } = useI18n()
const format = useFormat()
const words = useSkillWords()

const whole = computed(() => props.skill.skill)
const rows = computed(() =>
  READING_KINDS.map((kind) => {
    const reading = whole.value.readings[kind]
    const { mean, low, high } = reading.on
    return {
      kind,
      isJudged: reading.shots > 0,
      rung: t(`skill.rung.${reading.rung}`),
      on: t('skill.on', { mean: format.percent(mean) }),
      range: t('skill.range', { low: format.percent(low), high: format.percent(high) }),
      long: t('skill.rangeLong', {
        reading: t(`rail.${kind}`),
        mean: format.percent(mean),
        low: format.percent(low),
        high: format.percent(high),
      }),
      bar: { left: `${low * 100}%`, width: `${(high - low) * 100}%` },
      mark: { left: `${mean * 100}%` },
      bias: words.biasWords(kind, reading),
      next: words.nextWords(reading),
    }
  }),
)
/** A forecast from a handful of shots would only discourage. */
const forecast = computed(() => {
  const isEarly = READING_KINDS.some((kind) => {
    const { shots } = whole.value.readings[kind]
    return shots > 0 && shots < DEFAULT_PROGRAMME.leastShots
  })
  return isEarly ? '' : t('skill.pass', { percent: format.percent(whole.value.passToday) })
})
const practise = computed(() => {
  const { practiseNext } = whole.value
  return practiseNext === null
    ? ''
    : t('skill.practise', {
        reading: t(`rail.${practiseNext.reading}`).toLowerCase(),
        story: t(`skill.story.${practiseNext.story}`),
      })
})
</script>

<template>
  <section class="skill" aria-labelledby="skill-title">
    <h2 id="skill-title">{{ t('skill.title') }}</h2>
    <p v-if="practise" class="practise">{{ practise }}</p>
    <ul>
      <li v-for="row in rows" :key="row.kind">
        <strong>{{ t(`rail.${row.kind}`) }}</strong>
        <template v-if="row.isJudged">
          <span class="rung">{{ row.rung }}</span>
          <span class="range" role="img" :aria-label="row.long">
            <span class="bar" :style="row.bar"></span>
            <span class="mark" :style="row.mark"></span>
          </span>
          <span class="share">
            <span>{{ row.on }}</span>
            <span class="soft">{{ row.range }}</span>
          </span>
          <span>{{ row.bias }}</span>
          <span class="soft">{{ row.next }}</span>
        </template>
        <span v-else class="soft">{{ t('skill.unjudged') }}</span>
      </li>
    </ul>
    <p class="soft">
      {{ t('skill.overall', { rung: t(`skill.rung.${whole.rung}`) }) }}
      {{ forecast }}
      {{ t('skill.basis', { count: skill.shots }) }}
    </p>
  </section>
</template>

<style scoped>
.skill {
  padding: 16px 20px;
  background: var(--raised);
}
h2 {
  margin-bottom: 4px;
}
.practise {
  font-size: 1.125rem;
}
li {
  display: grid;
  grid-template-columns: 4em 6em 9em 12em minmax(0, 1fr) minmax(0, 1fr);
  gap: 4px 16px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--mist);
}
.range {
  position: relative;
  height: 8px;
  background: var(--mist);
}
.bar,
.mark {
  position: absolute;
  top: 0;
  bottom: 0;
}
.bar {
  background: var(--pine);
  opacity: 0.45;
}
.mark {
  width: 3px;
  top: -4px;
  bottom: -4px;
  background: var(--ink);
}
.share {
  display: grid;
}
.share .soft {
  font-size: 0.875rem;
}
p {
  margin: 8px 0 12px;
}
@media (max-width: 1000px) {
  li {
    grid-template-columns: 4em 6em minmax(0, 1fr);
  }
  li > :nth-child(n + 4) {
    grid-column: 2 / -1;
  }
}
</style>
