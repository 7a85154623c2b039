<script setup lang="ts">
import { BOUNDS, ENDPOINTS, type SetAsideRecord, type Slip } from '@calm-apron/contract'
import { TASTE_AXES } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import { RefusedByServer } from '../../kit/failures.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import type { FactLine } from '../../shot/reading/useFactLines.ts'
import { useFactWords } from '../../shot/reading/useFactWords.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** A record whose author's account had ended when it arrived, with all that it says. */
const props = defineProps<{ record: SetAsideRecord }>()
const emit = defineEmits<{ decided: [says: string] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const { lines } = useFactWords()
const { issues, failure, isBusy, submit } = useForm()
const why = ref('')
/** The shot it corrects has other numbers by now. */
const isStale = ref(false)

const title = computed(() => {
  const { write } = props.record
  const at = writtenAt(write)
  const when = { date: format.dateOf(at, academy.timeZone), time: format.timeOf(at, academy.timeZone) }
  return write.kind === 'shot'
    ? t('setAside.shot', { person: academy.personName(write.body.personId), ...when })
    : t(`setAside.${write.kind}`, when)
})
function writtenAt(write: SetAsideRecord['write']): string {
  switch (write.kind) {
    case 'shot':
      return write.body.pulledAt
    case 'correction':
      return write.body.correctedAt
    case 'slip':
      return write.body.tastedAt
  }
}
const author = computed(() => academy.personName(props.record.judgedBy) || t('app.someoneErased'))
const facts = computed(() => {
  const { write } = props.record
  if (write.kind === 'slip') return tasteLines(write.body.taste)
  return lines(write.body.facts).filter(({ value }) => value !== t('recorded.unknown'))
})
function tasteLines(taste: Slip['taste']): FactLine[] {
  return taste === null
    ? []
    : TASTE_AXES.map((axis) => ({ label: t(`fact.${axis}.label`), value: String(taste[axis] ?? '–') }))
}

async function decide(decision: 'keep' | 'drop'): Promise<void> {
  const { setAsideId } = props.record
  isStale.value = false
  const isDone = await submit(ENDPOINTS.decideSetAside.body, { decision, why: why.value }, async (body) => {
    try {
      await call(ENDPOINTS.decideSetAside, { params: { setAsideId }, body })
    } catch (error) {
      isStale.value = error instanceof RefusedByServer && error.problem.code === 'changed-meanwhile'
      throw error
    }
  })
  if (isDone) emit('decided', t(decision === 'keep' ? 'setAside.kept' : 'setAside.dropped'))
}
</script>

<template>
  <li class="row">
    <h2>{{ title }}</h2>
    <p class="soft">{{ t('setAside.enteredBy', { person: author }) }}</p>
    <dl>
      <template v-for="line in facts" :key="line.label">
        <dt>{{ line.label }}</dt>
        <dd class="figure">{{ line.value }}</dd>
      </template>
    </dl>
    <FormField
      v-model="why"
      :label="t('setAside.why')"
      :maxlength="BOUNDS.reasonLength.max"
      :issue="issues['why'] ? t('setAside.whyMissing', { min: BOUNDS.reasonLength.min }) : undefined"
    />
    <FormFailure :says="isStale ? t('setAside.stale') : failure" />
    <div class="actions">
      <PressButton kind="primary" :is-busy="isBusy" @click="decide('keep')">{{
        t('setAside.keep')
      }}</PressButton>
      <PressButton :is-busy="isBusy" @click="decide('drop')">{{ t('setAside.drop') }}</PressButton>
    </div>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  gap: 8px;
  padding: 16px 0;
  border-bottom: 1px solid var(--mist);
}
h2,
p,
dl {
  margin: 0;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 16px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
</style>
