<script setup lang="ts">
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormField from './FormField.vue'
import TickBox from './TickBox.vue'

/** A secret, which can be shown while it is typed: a wet finger errs. */
defineProps<{
  label: string
  autocomplete: 'current-password' | 'new-password'
  hint?: string
  issue?: string | undefined
}>()
const secret = defineModel<string>({ required: true })
const { t } = useI18n()
const isShown = ref(false)
</script>

<template>
  <div>
    <FormField
      v-model="secret"
      :label="label"
      :type="isShown ? 'text' : 'password'"
      :autocomplete="autocomplete"
      :hint="hint"
      :issue="issue"
    />
    <TickBox v-model="isShown">{{ t('form.show') }}</TickBox>
  </div>
</template>
