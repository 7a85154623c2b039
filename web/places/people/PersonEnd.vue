<script setup lang="ts">
import { ENDPOINTS, type PersonRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import type { usePeople } from './usePeople.ts'

/** Ends an account, with an undo in place of a question. */
const props = defineProps<{ person: PersonRecord; change: ReturnType<typeof usePeople>['change'] }>()
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18n()
const { failure, isBusy, submit } = useForm()
const said = ref('')
const isEnded = computed(() => props.person.state === 'ended')

async function turn(isActive: boolean): Promise<void> {
  said.value = ''
  const { revisionNo: basedOnNo } = props.person
  await submit(ENDPOINTS.changePerson.body, { basedOnNo, isActive, why: '' }, async () => {
    const { isConflict } = await props.change(props.person, { isActive, why: '' })
    const done = isActive ? 'people.reopened' : 'people.endedNow'
    said.value = t(isConflict ? 'people.conflict' : done)
    emit('changed')
  })
}
</script>

<template>
  <section class="stack" aria-labelledby="end-title">
    <h2 id="end-title">{{ t('people.endTitle') }}</h2>
    <p class="soft">{{ t('people.endHint') }}</p>
    <FormFailure :says="failure" />
    <p v-if="said" role="status">{{ said }}</p>
    <div>
      <PressButton :is-busy="isBusy" @click="turn(isEnded)">{{
        t(isEnded ? 'people.reopen' : 'people.end')
      }}</PressButton>
    </div>
  </section>
</template>
