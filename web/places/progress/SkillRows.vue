<script setup lang="ts">
import type { FamilySkill } from '@calm-apron/contract'
import { SKILLS, type Skill, helpApart } from '@calm-apron/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PressButton from '../../kit/parts/PressButton.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import RungMark from './RungMark.vue'
import RunDots from './RunDots.vue'
import { useSkillWords } from '../../shot/skill/useSkillWords.ts'

/** Each skill: its rung, how the newest shots stood, bias and spread, the way to the next rung; for a trainer its chart. */
const props = defineProps<{ family: FamilySkill; isOwn: boolean }>()
const { t } = useI18n()
const format = useFormat()
const words = useSkillWords()
const RunChart = defineAsyncComponent(() => import('./RunChart.vue'))

const open = ref<Skill | null>(null)
const rows = computed(() =>
  SKILLS.map((skill) => {
    const standing = props.family.skills[skill]
    const isHelpedOnly = standing.shots > 0 && standing.deciding === 0
    return {
      skill,
      name: t(`skill.of.${skill}`),
      isJudged: standing.shots > 0,
      rung: standing.rung,
      run: props.family.runs[skill],
      bias: words.biasWords(props.family, skill, standing),
      on:
        standing.on === null
          ? ''
          : t('skill.on', {
              mean: format.percent(standing.on.mean),
              low: format.percent(standing.on.low),
              high: format.percent(standing.on.high),
            }),
      more: standing.moreToSteady === null ? '' : t('skill.moreToSteady', { ...standing.moreToSteady }),
      apart: props.isOwn ? '' : apartWords(skill),
      next: isHelpedOnly ? t('skill.needsUnhelped') : words.nextWords(standing),
      hasChart: !props.isOwn && standing.chart !== null,
    }
  }),
)
const alike = computed(() =>
  props.family.alikeRangeS === null
    ? ''
    : t('skill.alikeWithin', { range: format.seconds(props.family.alikeRangeS) }),
)
/** Of what the tool helps with: how it went with help, and without. */
function apartWords(skill: Skill): string {
  if (skill !== 'dose' && skill !== 'yield') return ''
  const { helped, alone } = helpApart(props.family.runs[skill])
  if (helped.shots === 0 || alone.shots === 0) return ''
  return t('skill.helpApart', {
    helpedOn: helped.on,
    helped: helped.shots,
    aloneOn: alone.on,
    alone: alone.shots,
  })
}
const toggle = (skill: Skill) => (open.value = open.value === skill ? null : skill)
</script>

<template>
  <ul class="skills">
    <li v-for="row in rows" :key="row.skill" :data-skill="row.skill">
      <strong>{{ row.name }}</strong>
      <template v-if="row.isJudged">
        <RungMark :rung="row.rung" />
        <RunDots :run="row.run" :name="row.name" />
        <span class="says">
          <span v-if="row.bias">{{ row.bias }}</span>
          <span v-if="row.skill === 'alike' && alike">{{ alike }}</span>
          <span v-if="row.on" class="soft">{{ row.on }}</span>
          <span v-if="row.apart" class="soft">{{ row.apart }}</span>
          <span v-if="row.more" class="soft">{{ row.more }}</span>
          <span v-if="row.next" class="soft">{{ row.next }}</span>
        </span>
        <PressButton
          v-if="row.hasChart"
          kind="text"
          class="more"
          :aria-expanded="open === row.skill"
          @click="toggle(row.skill)"
          >{{ t('skill.chart.open', { name: row.name }) }}</PressButton
        >
        <RunChart v-if="open === row.skill" class="chart" :family="family" :skill="row.skill" />
      </template>
      <span v-else class="soft unjudged">{{ t('skill.unjudged') }}</span>
    </li>
  </ul>
</template>

<style scoped>
.skills {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 6.5em 7.5em 272px minmax(0, 1fr) auto;
  gap: 4px 16px;
  align-items: center;
  min-height: 56px;
  padding: 8px 0;
  border-top: 1px solid var(--mist);
}
.says {
  display: grid;
}
.unjudged {
  grid-column: 2 / -1;
}
.chart {
  grid-column: 1 / -1;
}
@media (max-width: 1000px) {
  li {
    grid-template-columns: 6.5em minmax(0, 1fr) auto;
  }
  li > :deep(.run) {
    grid-column: 1 / -1;
  }
  .says {
    grid-column: 1 / -1;
  }
}
</style>
