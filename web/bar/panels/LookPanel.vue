<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import { PUCKS, SIGNS_TICKED, STREAMS, type Sign, streamOfMarks } from '@calm-apron/core'
import { Input } from 'ant-design-vue'
import { computed, onMounted, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import PhotoField from '../PhotoField.vue'
import PuckChoice from '../PuckChoice.vue'
import type { ShotDraft } from '../shotDraft.ts'

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

function toggle(sign: Sign): void {
  const { [sign]: before, ...rest } = draft.value.noted.signs
  draft.value.noted.signs = before === true ? rest : { ...rest, [sign]: true }
}
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
      <fieldset class="signs">
        <legend>{{ t('look.signs') }}</legend>
        <label v-for="sign in SIGNS_TICKED" :key="sign" class="sign">
          <input type="checkbox" :checked="draft.noted.signs[sign] === true" @change="toggle(sign)" />{{
            t(`look.sign.${sign}`)
          }}
        </label>
      </fieldset>
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
.sign {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
}
.sign input {
  width: 28px;
  height: 28px;
  accent-color: var(--pine);
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
