<script setup lang="ts">
import { ENDPOINTS, type ErasurePreview, type PersonRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import { useForm } from '../../kit/forms/useForm.ts'

/** Erases a person for good: what goes and what stays is said first, and the name is typed again. */
const props = defineProps<{ person: PersonRecord }>()
const emit = defineEmits<{ erased: [person: PersonRecord] }>()
const { t } = useI18n()
const { issues, failure, isBusy, submit } = useForm()
const preview = ref<ErasurePreview | null>(null)
const typed = ref('')
const params = computed(() => ({ personId: props.person.personId }))

async function look(): Promise<void> {
  await submit(ENDPOINTS.previewErasure.params, params.value, async (asked) => {
    preview.value = await call(ENDPOINTS.previewErasure, { params: asked })
  })
}

async function erase(): Promise<void> {
  await submit(ENDPOINTS.erasePerson.body, { displayName: typed.value }, async (body) => {
    emit('erased', await call(ENDPOINTS.erasePerson, { params: params.value, body }))
  })
}
</script>

<template>
  <form class="stack" novalidate aria-labelledby="erase-title" @submit.prevent="erase">
    <h2 id="erase-title">{{ t('people.eraseTitle') }}</h2>
    <p class="soft">{{ t('people.eraseHint') }}</p>
    <div v-if="preview === null">
      <PressButton :is-busy="isBusy" @click="look">{{ t('people.erasePreview') }}</PressButton>
    </div>
    <template v-else>
      <p>
        {{
          t('people.eraseGone', {
            texts: t('people.texts', preview.gone.texts),
            sessions: t('people.sessions', preview.gone.sessions),
          })
        }}
      </p>
      <p>
        {{
          t('people.eraseKept', {
            shots: t('people.shots', preview.kept.shots),
            calls: t('people.calls', preview.kept.calls),
            slips: t('people.slips', preview.kept.slips),
            entries: t('people.entries', preview.kept.auditEntries),
          })
        }}
      </p>
      <FormField
        v-model="typed"
        :label="t('people.eraseType', { person: person.displayName })"
        :issue="issues['displayName']"
      />
      <div>
        <PressButton is-danger type="submit" :is-busy="isBusy">{{ t('people.erase') }}</PressButton>
      </div>
    </template>
    <FormFailure :says="failure" />
  </form>
</template>
