<script setup lang="ts">
import { preparedInput } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import ThingForm from '../ThingForm.vue'
import { makeThing } from '../useThing.ts'
import FreshnessPresets from './FreshnessPresets.vue'
import { newCoffee } from '../../../shot/coffee/newCoffee.ts'

const { t } = useI18n()
const router = useRouter()
const preparedId = uuidv7()
const start = newCoffee()

async function store(content: Record<string, unknown>): Promise<void> {
  await makeThing(preparedInput.parse({ kind: 'coffee', parentId: null, content }), preparedId)
  await router.push({ name: 'coffee', params: { preparedId } })
}
</script>

<template>
  <div class="stack">
    <RouterLink :to="{ name: 'coffees' }">{{ t('prepare.allCoffees') }}</RouterLink>
    <h1 tabindex="-1">{{ t('prepare.newCoffee') }}</h1>
    <ThingForm
      kind="coffee"
      :start="start"
      :store="store"
      :save-label="t('prepare.makeCoffee')"
      @close="router.push({ name: 'coffees' })"
    >
      <template #below="{ change }"><FreshnessPresets @choose="change({ freshness: $event })" /></template>
    </ThingForm>
  </div>
</template>
