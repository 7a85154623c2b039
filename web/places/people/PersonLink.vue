<script setup lang="ts">
import { ENDPOINTS, type PersonRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import LinkShown from './LinkShown.vue'
import { useLink } from './useLink.ts'

/** The link by which a person comes in, or comes in again. */
const props = defineProps<{ person: PersonRecord }>()
const emit = defineEmits<{ made: [] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const { failure, isBusy, submit } = useForm()
const { made, make } = useLink()

const isReset = computed(() => props.person.signInName !== null)
const says = computed(() => {
  const { linkUntil } = props.person
  if (linkUntil !== null && made.value === null) {
    const zone = academy.timeZone
    return t('people.linkOpen', {
      date: format.dateOf(linkUntil, zone),
      time: format.timeOf(linkUntil, zone),
    })
  }
  if (isReset.value) return t('people.resetHint')
  if (linkUntil !== null) return ''
  return t(props.person.state === 'active' ? 'people.linkDemo' : 'people.linkNone')
})

async function makeLink(): Promise<void> {
  const { personId } = props.person
  const isMade = await submit(ENDPOINTS.previewErasure.params, { personId }, () => make(personId))
  if (isMade) emit('made')
}
</script>

<template>
  <section class="stack" aria-labelledby="link-title">
    <h2 id="link-title">{{ t(isReset ? 'people.resetTitle' : 'people.linkTitle') }}</h2>
    <p v-if="says">{{ says }}</p>
    <FormFailure :says="failure" />
    <LinkShown v-if="made" :link="made" :person="person.displayName" />
    <div v-else>
      <PressButton :is-busy="isBusy" @click="makeLink">{{
        t(isReset ? 'people.resetNew' : 'people.linkNew')
      }}</PressButton>
    </div>
  </section>
</template>
