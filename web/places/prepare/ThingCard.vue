<script setup lang="ts">
import { type PreparedRecord, type PreparedRevision, kindOf } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useFailureWords } from '../../kit/forms/useFailureWords.ts'
import { useDoor } from '../../data/door/door.ts'
import ThingConflict from './ThingConflict.vue'
import ThingForm from './ThingForm.vue'
import ThingHistory from './ThingHistory.vue'
import type { NameOf } from './fields/useFieldWords.ts'
import { useThing } from './useThing.ts'

/** One thing: shown as its page draws it, changed where it stands, with the way back always open. */
const props = withDefaults(
  defineProps<{
    found: PreparedRecord
    /** Its heading's level; null where the page has one already. */
    level?: 2 | 3
    choices?: Record<string, readonly { value: string; label: string }[]>
    omitted?: readonly string[]
    nameOf?: NameOf
  }>(),
  { level: 2, choices: () => ({}), omitted: () => [], nameOf: () => () => '' },
)
const emit = defineEmits<{ changed: [record: PreparedRecord]; copied: [record: PreparedRecord] }>()
const { t } = useI18n()
const door = useDoor()
const { record, before, theirs, justDone, save, takeTheirs, undo, archive, revisions, copyAs } = useThing(
  props.found,
)
const isChanging = ref(false)
const yours = shallowRef<Record<string, unknown> | null>(null)
const failure = ref('')
const failureWords = useFailureWords()
const history = shallowRef<PreparedRevision[] | null>(null)

// Whatever is newer stands; but for whoever is changing it, so that of two changes both are shown.
watch([() => props.found, isChanging], ([found]) => {
  if (!isChanging.value && found.revisionNo >= record.value.revisionNo) record.value = found
})

const name = computed(() => String(record.value.content['name']))
/** Some kinds are the house's word: heads alone change them. */
const mayChange = computed(
  () => door.may('prepare') && (kindOf(record.value.kind).isHeads !== true || door.part === 'head'),
)
const done = computed(() => (justDone.value === null ? '' : t(`prepared.done.${justDone.value}`)))
const canUndo = computed(
  () => justDone.value === 'put-away' || (justDone.value === 'saved' && before.value !== null),
)

async function store(content: Record<string, unknown>): Promise<void> {
  yours.value = content
  if ((await save(content)) === 'conflict') return
  await settled()
}
async function settled(): Promise<void> {
  isChanging.value = false
  yours.value = null
  if (history.value !== null) history.value = await revisions()
  emit('changed', record.value)
}
async function keepYours(): Promise<void> {
  const [mine, other] = [yours.value, theirs.value]
  if (mine === null || other === null) return
  await attempt(async () => {
    if ((await save(mine, other.revisionNo)) === 'saved') await settled()
  })
}
async function giveWay(): Promise<void> {
  takeTheirs()
  await settled()
}
const takeBack = () => attempt(() => undo().then(settled))
const putAway = (isArchived: boolean) =>
  attempt(async () => {
    await archive(isArchived)
    emit('changed', record.value)
  })
/** Stores what its picture, or an earlier version, says; of two at once both are shown. */
const bringBack = (content: Record<string, unknown>) =>
  attempt(async () => {
    yours.value = content
    if ((await save(content)) === 'saved') await settled()
  })
const showHistory = () =>
  attempt(async () => {
    history.value = history.value === null ? await revisions() : null
  })
/** Does it, or says why it could not be done. */
async function attempt(work: () => Promise<unknown>): Promise<void> {
  failure.value = ''
  try {
    await work()
  } catch (error) {
    failure.value = failureWords(error)
  }
}
const copy = () =>
  attempt(async () => {
    emit('copied', await copyAs(t('prepared.copyOf', { name: name.value }).slice(0, 80)))
  })
defineExpose({ save: bringBack })
</script>

<template>
  <article class="card" :aria-label="name">
    <header>
      <component :is="`h${level}`" class="name">{{ name }}</component>
      <slot name="beside" :record="record" />
      <div v-if="mayChange && !isChanging" class="actions tools">
        <PressButton @click="isChanging = true">{{ t('prepared.changeIt') }}</PressButton>
        <PressButton kind="text" @click="copy">{{ t('prepared.copy') }}</PressButton>
        <PressButton kind="text" @click="putAway(!record.isArchived)">{{
          record.isArchived ? t('prepared.bringBack') : t('prepared.putAway')
        }}</PressButton>
      </div>
    </header>
    <p v-if="done" class="done" role="status">
      {{ done }}
      <PressButton v-if="canUndo" kind="link" @click="takeBack">{{ t('prepared.undo') }}</PressButton>
    </p>
    <FormFailure :says="failure" />
    <ThingConflict
      v-if="theirs && yours"
      :kind="record.kind"
      :before="record.content"
      :theirs="theirs"
      :yours="yours"
      :name-of="nameOf"
      @take-theirs="giveWay"
      @keep-yours="keepYours"
    />
    <ThingForm
      v-if="isChanging"
      :kind="record.kind"
      :start="record.content"
      :store="store"
      :save-label="t('prepared.save')"
      :choices="choices"
      :omitted="omitted"
      @close="isChanging = false"
    >
      <template #top="top"><slot name="form-top" v-bind="top" /></template>
      <template #below="below"><slot name="form-below" v-bind="below" /></template>
    </ThingForm>
    <slot v-else :record="record" />
    <div v-if="!isChanging && record.revisionNo > 1">
      <PressButton kind="link" class="earlier" :aria-expanded="history !== null" @click="showHistory">{{
        t('prepared.earlier', record.revisionNo - 1)
      }}</PressButton>
      <ThingHistory
        v-if="history"
        :kind="record.kind"
        :revisions="history"
        :name-of="nameOf"
        :may-change="mayChange"
        @bring-back="bringBack"
      />
    </div>
  </article>
</template>

<style scoped>
.card {
  display: grid;
  gap: 12px;
  align-content: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
}
.name {
  margin: 0;
}
.tools {
  margin-left: auto;
  gap: 4px;
}
.done {
  margin: 0;
}
.earlier {
  padding: 0;
}
</style>
