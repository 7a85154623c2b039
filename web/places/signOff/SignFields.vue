<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import FormField from '../../kit/forms/FormField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'

/** With what it is signed: a PIN or a password of whoever is here; in the demo nothing. */
defineProps<{ isDemo: boolean }>()
const by = defineModel<'pin' | 'password'>('by', { required: true })
const secret = defineModel<string>('secret', { required: true })
const { t } = useI18n()
</script>

<template>
  <p v-if="isDemo" class="soft">{{ t('signOff.page.demo') }}</p>
  <div v-else class="fields">
    <ChoiceRow
      v-model="by"
      :label="t('signOff.page.signBy')"
      :options="[
        { value: 'pin', label: t('signOff.page.pin') },
        { value: 'password', label: t('signOff.page.password') },
      ]"
    />
    <FormField
      v-model="secret"
      :label="t(`signOff.page.${by}`)"
      type="password"
      :inputmode="by === 'pin' ? 'numeric' : 'text'"
    />
  </div>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
}
p {
  margin: 0;
}
</style>
