<script setup lang="ts">
import { ENDPOINTS, type SetAsideRecord } from '@calm-apron/contract'
import { onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import FormFailure from '../forms/FormFailure.vue'
import { useForm } from '../forms/useForm.ts'
import EmptyPlace from '../parts/EmptyPlace.vue'
import SetAsideRow from './SetAsideRow.vue'

const { t } = useI18n()
const { failure, isBusy, submit } = useForm()
const records = ref<SetAsideRecord[]>([])
const said = ref('')

const load = () =>
  submit(ENDPOINTS.listSetAside.query, {}, async () => {
    records.value = (await call(ENDPOINTS.listSetAside)).records
  })
onMounted(load)

async function decided(says: string): Promise<void> {
  said.value = says
  await load()
}
</script>

<template>
  <div class="stack">
    <h1 tabindex="-1">{{ t('setAside.title') }}</h1>
    <p class="soft">{{ t('setAside.intro') }}</p>
    <FormFailure :says="failure" />
    <p v-if="said" role="status">{{ said }}</p>
    <EmptyPlace v-if="records.length === 0 && !isBusy" :says="t('setAside.none')" />
    <ul>
      <SetAsideRow v-for="record in records" :key="record.setAsideId" :record="record" @decided="decided" />
    </ul>
  </div>
</template>
