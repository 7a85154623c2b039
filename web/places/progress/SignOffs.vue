<script setup lang="ts">
import type { PersonSignOffs } from '@calm-apron/contract'
import { programmeOf } from '@calm-apron/contract'
import { assessmentDue } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { useDoor } from '../../data/door/door.ts'
import type { Answer } from '../../data/queries/useAnswer.ts'
import PressButton from '../../kit/parts/PressButton.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { usePartWords } from '../../shot/signOff/usePartWords.ts'
import { useProgrammes } from '../../shot/signOff/useSet.ts'

/** How somebody stands in each programme: what is shown, what is next, what their sign-off means. Never against others. */
const props = defineProps<{ personId: string; isOwn: boolean; answer: Answer<PersonSignOffs> }>()
const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const format = useFormat()
const assessments = useAssessments()
const { lackingWords, standingWords } = usePartWords()
const { byId } = useProgrammes()
const told = computed(() => props.answer.value.value?.programmes ?? [])
const nameOf = (programmeId: string) =>
  told.value.find((each) => each.programmeId === programmeId)?.name ?? t('signOff.gone')
const busy = ref('')

type Row = PersonSignOffs['programmes'][number]
const isOpen = ({ standing }: Pick<Row, 'standing'>) =>
  standing.is === 'none' || standing.is === 'not-yet' || standing.is === 'withdrawn'
const rows = computed(() =>
  told.value.map((row) => ({
    ...row,
    way: byId(row.programmeId)?.content.way ?? null,
    says: standingWords(row.standing, byId(row.programmeId)?.content.way ?? null),
    lacks: isOpen(row) ? lackingWords(row.lacking, nameOf) : [],
    assessmentId: 'assessmentId' in row.standing ? row.standing.assessmentId : null,
    forecast:
      row.passToday === null || !isOpen(row)
        ? ''
        : t('signOff.forecast', { percent: format.percent(row.passToday) }),
  })),
)

/** A card is begun, or gone through again, where nothing else comes first. */
const mayBeginCard = ({ standing, lacking }: Row) =>
  !props.isOwn &&
  door.may('sign') &&
  lacking.length === 0 &&
  (standing.is === 'signed' ? standing.lookAgain.length > 0 : isOpen({ standing }))

/** A card needs no training: it is begun where one stands. */
async function beginCard({ programmeId, programmeRevisionId, standing }: Row): Promise<void> {
  const content = byId(programmeId)?.content
  if (content === undefined) return
  busy.value = programmeId
  const setup = {
    personId: props.personId,
    programmeId,
    programmeRevisionId,
    trainingId: null,
    recipeRevisionId: null,
    machineId: null,
    groupNo: 0,
    grinderId: null,
    ...assessmentDue(standing, programmeOf(content)),
    isTasted: false,
    hasCue: false,
  }
  const assessmentId = await assessments.begin(setup, '')
  busy.value = ''
  await router.push({ name: 'assessment', params: { assessmentId } })
}
</script>

<template>
  <section v-if="rows.length > 0" class="sign-offs" aria-labelledby="sign-off-title">
    <h2 id="sign-off-title">{{ t('signOff.title') }}</h2>
    <article v-for="row in rows" :key="row.programmeId" :data-programme="row.name">
      <h3>{{ row.name }}</h3>
      <p v-for="each in row.says" :key="each">{{ each }}</p>
      <template v-if="row.lacks.length > 0">
        <p class="soft">{{ t('signOff.lacking.title') }}</p>
        <ul>
          <li v-for="each in row.lacks" :key="each">{{ each }}</li>
        </ul>
      </template>
      <p v-else-if="row.standing.is === 'none' && row.way !== 'ticks'">{{ t('signOff.lacking.nothing') }}</p>
      <p v-if="row.forecast" class="soft">{{ row.forecast }}</p>
      <p class="links">
        <RouterLink
          v-if="row.assessmentId"
          :to="{ name: 'assessment', params: { assessmentId: row.assessmentId } }"
          >{{ t('signOff.open') }}</RouterLink
        >
        <PressButton
          v-if="row.way === 'ticks' && mayBeginCard(row)"
          :is-busy="busy === row.programmeId"
          @click="beginCard(row)"
          >{{ t('signOff.beginCard') }}</PressButton
        >
      </p>
    </article>
  </section>
</template>

<style scoped>
.sign-offs {
  padding: 16px 20px;
  background: var(--raised);
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
  gap: 16px 32px;
}
h2 {
  grid-column: 1 / -1;
}
h2,
h3,
p,
ul {
  margin: 0;
}
h3 {
  font-size: 1.1em;
}
article {
  display: grid;
  gap: 4px;
  align-content: start;
  border-top: 1px solid var(--mist);
  padding-top: 8px;
}
ul {
  padding-left: 20px;
  list-style: disc;
}
.links a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
