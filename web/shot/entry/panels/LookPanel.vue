<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import { PUCKS, SIGN_BOXES, STREAMS, streamOfMarks } from '@calm-apron/core'
import { Input } from 'ant-design-vue'
import { computed, onMounted, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import PhotoField from '../PhotoField.vue'
import PuckChoice from '../PuckChoice.vue'
import SignBoxes from '../SignBoxes.vue'
import type { ShotDraft } from '../../draft/shotDraft.ts'

const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const noteId = useId()

const streams = computed(() => [
  ...STREAMS.map((value) => ({ value, label: t(`stream.${value}`) })),
  { value: null, label: t('notSeen') },
])
const pucks = computed(() => [...PUCKS, null])

// What was marked while it ran need not be said again; it can be said otherwise.
onMounted(() => {
  draft.value.look.stream ??= streamOfMarks(draft.value.noted.marks)
})

function rate(event: Event): void {
  if (event.target instanceof HTMLInputElement) draft.value.noted.selfRating = event.target.valueAsNumber
}
</script>

<template>
  <div class="look">
    <ChoiceRow v-model="draft.look.stream" :label="t('look.stream')" :options="streams" />
    <PuckChoice v-model="draft.look.puck" :label="t('look.puck')" :options="pucks" />
    <p class="soft">{{ t('look.prompt') }}</p>
    <details>
      <summary>{{ t('look.more') }}</summary>
      <SignBoxes v-model="draft" :label="t('look.signs')" :signs="SIGN_BOXES.look" />
      <label class="rate">
        {{ t('look.selfRating', { n: draft.noted.selfRating ?? '–' }) }}
        <input
          type="range"
          min="0"
          max="10"
          step="1"
          :value="draft.noted.selfRating ?? 5"
          @input="rate"
          @click="rate"
        />
      </label>
      <label :for="noteId">{{ t('look.note') }}</label>
      <Input.TextArea
        :id="noteId"
        v-model:value="draft.note"
        :rows="2"
        :maxlength="BOUNDS.shotNoteLength.max"
      />
      <PhotoField v-model="draft.photos" />
    </details>
  </div>
</template>

<style scoped>
.look {
  display: grid;
  gap: 16px;
}
.rate {
  display: grid;
  margin: 8px 0;
}
.rate input {
  height: 44px;
  accent-color: var(--pine);
}
</style>
