<script setup lang="ts">
import type { SIGNS_TICKED, Sign } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import type { ShotDraft } from '../draft/shotDraft.ts'

/** Boxes for what can be seen now: ticked is seen, left empty is not said. */
defineProps<{ label: string; signs: readonly (typeof SIGNS_TICKED)[number][] }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()

function toggle(sign: Sign): void {
  const { [sign]: before, ...rest } = draft.value.noted.signs
  draft.value.noted.signs = before === true ? rest : { ...rest, [sign]: true }
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <label v-for="sign in signs" :key="sign" class="sign">
      <input type="checkbox" :checked="draft.noted.signs[sign] === true" @change="toggle(sign)" />{{
        t(`look.sign.${sign}`)
      }}
    </label>
  </fieldset>
</template>

<style scoped>
.sign {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
}
.sign input {
  flex: none;
  width: 28px;
  height: 28px;
  accent-color: var(--pine);
}
</style>
