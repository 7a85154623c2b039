<script setup lang="ts">
import { type RoutineStep, KINDS } from '@calm-apron/contract'
import { STEP_KEYS, type StepKey, shippedStep } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import Sortable from 'sortablejs'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import SelectField from '../../../kit/forms/SelectField.vue'
import FieldsOf from '../fields/FieldsOf.vue'
import { fieldsOf } from '../fields/fieldSpec.ts'
import { useStepWords } from '../../../shot/routine/useStepWords.ts'

/** The steps of a routine: dragged, or moved by their buttons; each opened to be changed. */
const props = defineProps<{ draft: Record<string, unknown>; issues: Record<string, string> }>()
const emit = defineEmits<{ change: [parts: Record<string, unknown>] }>()
const { t } = useI18n()
const { said } = useStepWords()
const list = ref<HTMLElement | null>(null)
const opened = ref<number | null>(null)
const added = ref<StepKey | 'own'>('grind')
const fields = fieldsOf(KINDS.routine.content.shape.steps.element).filter(({ name }) => name !== 'key')

// The form's draft of a routine, whose shape its schema gives.
const steps = computed<RoutineStep[]>(() =>
  Array.isArray(props.draft['steps']) ? (props.draft['steps'] as RoutineStep[]) : [],
)
const choices = computed(() => [
  ...STEP_KEYS.map((key) => ({ value: key, label: t(`shotStep.${key}.what`) })),
  { value: 'own' as const, label: t('routine.ownStep') },
])
const set = (next: RoutineStep[]) => emit('change', { steps: next })
const titleOf = (step: RoutineStep) => said(step, 'what') || t('routine.ownStep')
/** Fields of a step, by name, as the form's fields take them. */
const valuesOf = (step: RoutineStep): Record<string, unknown> => step

function move(from: number, to: number): void {
  const step = steps.value[from]
  if (step === undefined || to < 0 || to >= steps.value.length) return
  opened.value = null
  set(steps.value.toSpliced(from, 1).toSpliced(to, 0, step))
}
async function moveBy(from: number, by: number): Promise<void> {
  move(from, from + by)
  await nextTick()
  // The step keeps the focus, so that one can move it on.
  list.value?.querySelectorAll<HTMLElement>('.title')[from + by]?.focus()
}
function add(): void {
  set([...steps.value, shippedStep(added.value === 'own' ? null : added.value)])
  opened.value = steps.value.length - 1
}
function remove(index: number): void {
  opened.value = null
  set(steps.value.toSpliced(index, 1))
}
function byArrow(event: KeyboardEvent, index: number): void {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (by === undefined || !event.altKey) return
  event.preventDefault()
  void moveBy(index, by)
}

let sortable: Sortable | null = null
onMounted(() => {
  if (list.value === null) return
  sortable = Sortable.create(list.value, {
    handle: '.handle',
    animation: 120,
    onEnd({ item, oldIndex, newIndex }) {
      if (oldIndex === undefined || newIndex === undefined) return
      // Vue draws the list by itself: what was dragged goes back to where it was first.
      const { children } = list.value ?? { children: [] }
      list.value?.insertBefore(item, children[oldIndex + (newIndex < oldIndex ? 1 : 0)] ?? null)
      move(oldIndex, newIndex)
    },
  })
})
onBeforeUnmount(() => sortable?.destroy())
</script>

<template>
  <fieldset class="steps">
    <legend>{{ t('prepared.label.steps') }}</legend>
    <p class="soft">{{ t('routine.howToMove') }}</p>
    <p v-if="issues['steps']" class="issue" role="alert">{{ issues['steps'] }}</p>
    <ol ref="list">
      <li v-for="(step, index) in steps" :key="`${step.key} ${index} ${steps.length}`" class="step">
        <div class="line">
          <span class="handle" aria-hidden="true">⠿</span>
          <button
            type="button"
            class="title"
            :aria-expanded="opened === index"
            :title="t('routine.arrowKeys')"
            @click="opened = opened === index ? null : index"
            @keydown="byArrow($event, index)"
          >
            {{ index + 1 }}. {{ titleOf(step) }}
          </button>
          <PressButton
            :disabled="index === 0"
            :aria-label="t('routine.up', { step: titleOf(step) })"
            @click="moveBy(index, -1)"
            >↑</PressButton
          >
          <PressButton
            :disabled="index === steps.length - 1"
            :aria-label="t('routine.down', { step: titleOf(step) })"
            @click="moveBy(index, 1)"
            >↓</PressButton
          >
          <PressButton :aria-label="t('routine.out', { step: titleOf(step) })" @click="remove(index)">{{
            t('prepared.takeOut')
          }}</PressButton>
        </div>
        <p v-if="issues[`steps.${index}.what`]" class="issue" role="alert">
          {{ issues[`steps.${index}.what`] }}
        </p>
        <div v-if="opened === index" class="open">
          <p v-if="step.key" class="soft">{{ t('routine.emptyIsShipped') }}</p>
          <FieldsOf :model-value="valuesOf(step)" :fields="fields" :path="`steps.${index}`" />
        </div>
      </li>
    </ol>
    <div class="add">
      <SelectField v-model="added" :label="t('routine.addWhich')" :options="choices" />
      <PressButton @click="add">{{ t('routine.add') }}</PressButton>
    </div>
  </fieldset>
</template>

<style scoped>
.steps {
  display: grid;
  gap: 8px;
}
legend {
  float: left;
  width: 100%;
  font-size: 1.125rem;
  font-weight: 650;
}
p {
  margin: 0;
}
.issue {
  color: var(--plum);
}
.step {
  border-bottom: 1px solid var(--mist);
  padding: 4px 0;
  background: var(--paper);
}
.line {
  display: flex;
  align-items: center;
  gap: 8px;
}
.handle {
  cursor: grab;
  padding: 8px;
  color: var(--ink-soft);
  touch-action: none;
}
.title {
  flex: 1;
  min-height: 44px;
  text-align: left;
  font: inherit;
  font-weight: 650;
  color: inherit;
  background: none;
  border: 0;
  cursor: pointer;
}
.open {
  padding: 8px 0 16px 40px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
}
</style>
