<script setup lang="ts">
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useDoor } from '../../data/door/door.ts'
import FormField from '../../kit/forms/FormField.vue'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import CautionNote from '../../shot/cautions/CautionNote.vue'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { useCupsTasted } from '../../shot/tasting/cupsTasted.ts'
import { doseTastedG } from '../../shot/tasting/doseTasted.ts'
import SlipForm from '../../shot/tasting/SlipForm.vue'
import type { Taste } from '../../shot/tasting/useTasting.ts'
import { useAssessment } from './useAssessment.ts'

/** An assessor tastes the cups of a set by the digits on them: not told whose each is, or which is the trainer's. */
const props = defineProps<{ assessmentId: string }>()
const { t } = useI18n()
const door = useDoor()
const cups = useCupsTasted()
const assessments = useAssessments()
const { answer, told, state } = useAssessment(() => props.assessmentId)
/** What this taster kept, told or not yet sent. */
const kept = computed(() => {
  const all = [...(told.value?.cups.notes ?? []), ...(state.value?.tasted ?? [])]
  return [...new Set(all.filter(({ by }) => by === door.personId).map(({ cup }) => cup))].toSorted()
})
const isTasting = computed(
  () => state.value?.stage === 'running' && state.value.setup.isTasted && door.may('sign'),
)
const code = ref('')
const cup = computed(() => code.value.trim())
const isCode = computed(() => /^[1-9]\d{2}$/.test(cup.value))
const isUnknown = computed(() => {
  const known = told.value?.cups.known ?? []
  return isCode.value && known.length > 0 && !known.includes(cup.value)
})

async function keep(taste: Taste): Promise<void> {
  // Which shot it was is not told: it counts as a usual double.
  cups.tasted(door.personId, doseTastedG(null, null))
  await assessments.note(props.assessmentId, { kind: 'tasted', cup: cup.value, taste })
  code.value = ''
}
</script>

<template>
  <div v-if="isTasting" class="cups">
    <h1 tabindex="-1">{{ t('signOff.cups.title') }}</h1>
    <p>{{ t('signOff.cups.intro') }}</p>
    <FormField v-model="code" :label="t('signOff.cups.code')" inputmode="numeric" />
    <p v-if="isUnknown" role="status">{{ t('signOff.cups.unknown') }}</p>
    <SlipForm v-if="isCode" :key="cup" :person-id="door.personId" :says="[]" @filled="keep" />
    <p v-if="kept.length > 0" role="status">{{ t('signOff.cups.kept', { cups: kept.join(', ') }) }}</p>
    <p class="soft">{{ t('signOff.cups.rule') }}</p>
    <CautionNote act="taste" />
  </div>
  <EmptyPlace
    v-else-if="state"
    :says="t('signOff.cups.over')"
    :action="t('signOff.open')"
    :to="{ name: 'assessment', params: { assessmentId } }"
  />
  <EmptyPlace
    v-else-if="answer.state.value === 'refused'"
    :says="t('signOff.page.notThere')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
  <EmptyPlace v-else :says="t('app.loading')" />
</template>

<style scoped>
.cups {
  display: grid;
  gap: 16px;
  max-width: 720px;
  margin: 0 auto;
  padding: 24px 16px;
  font-size: 1.125rem;
}
.cups > p,
h1 {
  margin: 0;
}
</style>
