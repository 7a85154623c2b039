<script setup lang="ts">
import {
  FOCUS_NAMES,
  FOCUS_PARTS,
  type Focus,
  type FocusName,
  type FocusPart,
  focusNamed,
  nameOfFocus,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'

/** What a training looks at: one of what is shipped in a tap, or part by part. */
const focus = defineModel<Focus>({ required: true })
const { t } = useI18n()

const names = computed(() => FOCUS_NAMES.map((value) => ({ value, label: t(`focus.name.${value}`) })))
const chosen = computed<FocusName | null>({
  get: () => nameOfFocus(focus.value),
  set: (name) => {
    if (name !== null) focus.value = { ...focusNamed(name), fullEvery: focus.value.fullEvery }
  },
})

const isOn = (part: FocusPart) => focus.value.on.includes(part)
/** One that looks at nothing would be none. */
const isOnly = (part: FocusPart) => focus.value.on.length === 1 && isOn(part)
function toggle(part: FocusPart): void {
  const on = FOCUS_PARTS.filter((each) => (each === part ? !isOn(each) : isOn(each)))
  focus.value = { ...focus.value, on }
}

/** As text, for a choice is one of words. */
const EVERY = ['1', '2', '3']
const rounds = computed(() => EVERY.map((value) => ({ value, label: t(`focus.every.${value}`) })))
const every = computed({
  get: () => String(focus.value.fullEvery),
  set: (text: string) => (focus.value = { ...focus.value, fullEvery: Number(text) }),
})
</script>

<template>
  <section class="focus">
    <ChoiceRow v-model="chosen" :label="t('focus.title')" :options="names" />
    <details>
      <summary>{{ t('focus.details') }}</summary>
      <p class="soft">{{ t('focus.hint') }}</p>
      <div class="parts">
        <label v-for="part in FOCUS_PARTS" :key="part" class="part">
          <input type="checkbox" :checked="isOn(part)" :disabled="isOnly(part)" @change="toggle(part)" />
          {{ t(`focus.part.${part}`) }}
        </label>
      </div>
      <ChoiceRow
        v-if="isOn('first-call') || isOn('notes')"
        v-model="every"
        :label="t('focus.fullEvery')"
        :options="rounds"
      />
    </details>
  </section>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 0 24px;
  margin-bottom: 12px;
}
.part {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
}
.part input {
  width: 28px;
  height: 28px;
  accent-color: var(--pine);
}
</style>
