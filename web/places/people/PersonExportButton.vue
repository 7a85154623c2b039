<script setup lang="ts">
import { ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { useI18n } from 'vue-i18n'
import { download } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'

/** All that is kept of one person, as a file. */
const props = defineProps<{ personId: string; label: string }>()
const { t } = useI18n()
const { failure, isBusy, submit } = useForm()

async function save(): Promise<void> {
  await submit(ENDPOINTS.exportPerson.params, { personId: props.personId }, async (params) => {
    saveAs(`calm-apron-${props.personId}.json`, await download(ENDPOINTS.exportPerson, { params }))
  })
}

function saveAs(name: string, blob: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <div :aria-label="t('people.export')" role="group">
    <FormFailure :says="failure" />
    <PressButton :is-busy="isBusy" @click="save">{{ label }}</PressButton>
  </div>
</template>
