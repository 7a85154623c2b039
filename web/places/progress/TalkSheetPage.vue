<script setup lang="ts">
import { SKILLS, skillSaying } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { skillAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useShotList } from '../../data/queries/useShots.ts'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import TakeHomeNote from '../../shot/skill/TakeHomeNote.vue'
import { useOwnSentences } from '../../shot/skill/useOwnSentences.ts'
import { useSaying } from '../../shot/skill/useSaying.ts'
import { useSkillWords } from '../../shot/skill/useSkillWords.ts'
import ForTrainer from './ForTrainer.vue'
import RunDots from './RunDots.vue'

/** One sheet to talk over with somebody, to be printed: what went right, what next, each skill, notes, and room to write. */
const props = defineProps<{ personId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const ownSentences = useOwnSentences()
const sayingWords = useSaying()
const words = useSkillWords()
const answer = useAnswer(() => skillAsked(props.personId))
const { shots } = useShotList(() => ({ personId: props.personId }), 100)

const name = computed(() => academy.personName(props.personId))
const family = computed(() => answer.value.value?.families[0] ?? null)
const today = computed(() => format.dateOf(new Date(), academy.timeZone))
const says = computed(() => {
  if (family.value === null) return []
  const now = Date.now()
  const known = sayingWords(skillSaying(family.value, now), family.value)
  return [...new Set([...ownSentences(family.value, now), known])]
})
const rows = computed(() => {
  const of = family.value
  if (of === null) return []
  return SKILLS.filter((skill) => of.skills[skill].shots > 0).map((skill) => ({
    skill,
    name: t(`skill.of.${skill}`),
    rung: t(`skill.rung.${of.skills[skill].rung}`),
    run: of.runs[skill],
    says: words.biasWords(of, skill, of.skills[skill]),
  }))
})
const SHOWN_NOTES = 5
const notes = computed(() =>
  shots.value
    .filter(({ shot }) => shot.current.note !== '')
    .slice(0, SHOWN_NOTES)
    .map(({ shot }) => ({
      shotId: shot.shotId,
      date: format.dateOf(shot.pulledAt, academy.timeZone),
      note: shot.current.note,
    })),
)
const print = () => window.print()
</script>

<template>
  <div v-if="family" class="sheet">
    <p class="no-print">
      <PressButton kind="primary" @click="print">{{ t('skill.sheet.print') }}</PressButton>
      <RouterLink :to="{ name: 'progress', params: { personId } }">{{ name }}</RouterLink>
    </p>
    <header>
      <h1 tabindex="-1">{{ t('skill.sheet.title', { name }) }}</h1>
      <p class="soft">{{ academy.today?.academy.name }}, {{ today }}</p>
    </header>
    <p v-for="each in says" :key="each" class="says">{{ each }}</p>
    <h2>{{ t('skill.sheet.stands') }}</h2>
    <table>
      <tbody>
        <tr v-for="row in rows" :key="row.skill">
          <th scope="row">{{ row.name }}</th>
          <td>{{ row.rung }}</td>
          <td><RunDots :run="row.run" :name="row.name" /></td>
          <td>{{ row.says }}</td>
        </tr>
      </tbody>
    </table>
    <ForTrainer :family="family" :beside="answer.value.value?.beside ?? null" />
    <TakeHomeNote v-if="answer.value.value?.takeHome" :take-home="answer.value.value.takeHome" />
    <section v-if="notes.length > 0" aria-labelledby="notes">
      <h2 id="notes">{{ t('skill.sheet.notes') }}</h2>
      <p v-for="{ shotId, date, note } in notes" :key="shotId">{{ date }}: {{ note }}</p>
    </section>
    <section aria-labelledby="agreed">
      <h2 id="agreed">{{ t('skill.sheet.agreed') }}</h2>
      <div v-for="line in 3" :key="line" class="line"></div>
    </section>
  </div>
  <EmptyPlace
    v-else
    :says="t(answer.state.value === 'looking' ? 'app.loading' : 'skill.says.nothing-yet')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
</template>

<style scoped>
.sheet {
  max-width: 900px;
  margin: 0 auto;
  padding: 24px;
  display: grid;
  gap: 12px;
}
h2 {
  font-size: 1.1em;
  margin: 0 0 4px;
}
header p,
.sheet > p,
section p {
  margin: 0 0 4px;
}
.no-print {
  display: flex;
  gap: 24px;
  align-items: center;
}
.says {
  font-size: 1.15em;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 6px 12px 6px 0;
  border-top: 1px solid var(--mist);
}
.line {
  height: 32px;
  border-bottom: 1px solid var(--edge);
}
</style>
