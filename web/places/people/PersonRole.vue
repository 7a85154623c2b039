<script setup lang="ts">
import { BOUNDS, ENDPOINTS, type PersonRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { reactive, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import RoleChoice from './RoleChoice.vue'
import type { usePeople } from './usePeople.ts'

const props = defineProps<{ person: PersonRecord; change: ReturnType<typeof usePeople>['change'] }>()
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18n()
const { issues, failure, isBusy, submit } = useForm()
const values = reactive({ displayName: '', role: props.person.role })
const why = ref('')
const said = ref('')

watch(
  () => props.person.revisionNo,
  () => {
    const { displayName, role } = props.person
    Object.assign(values, { displayName, role })
  },
  { immediate: true },
)

async function save(): Promise<void> {
  said.value = ''
  await submit(ENDPOINTS.putPerson.body, values, async (what) => {
    const { isConflict } = await props.change(props.person, { ...what, why: why.value.trim() })
    said.value = t(isConflict ? 'people.conflict' : 'people.saved')
    if (!isConflict) why.value = ''
    emit('changed')
  })
}
</script>

<template>
  <form class="stack" novalidate aria-labelledby="role-title" @submit.prevent="save">
    <h2 id="role-title">{{ t('people.roleTitle') }}</h2>
    <FormField v-model="values.displayName" :label="t('people.name')" :issue="issues['displayName']" />
    <RoleChoice v-model="values.role" />
    <FormField v-model="why" :label="t('people.why')" :maxlength="BOUNDS.reasonLength.max" />
    <FormFailure :says="failure" />
    <p v-if="said" role="status">{{ said }}</p>
    <div>
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ t('people.save') }}</PressButton>
    </div>
  </form>
</template>
