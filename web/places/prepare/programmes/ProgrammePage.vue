<script setup lang="ts">
import { type PreparedRecord, asKind } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { useAcademy } from '../../../data/academy/academy.ts'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useProgrammes } from '../../../shot/signOff/useSet.ts'
import ThingCard from '../ThingCard.vue'
import { useFound } from '../useFound.ts'
import { useProgrammeWords } from './useProgrammeWords.ts'

const props = defineProps<{ preparedId: string }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const { found, state } = useFound(() => props.preparedId)
const { says } = useProgrammeWords()
const { programmes } = useProgrammes()
const factsOf = (record: PreparedRecord) => {
  const content = asKind(record, 'programme')?.content
  return content === undefined ? [] : says(content)
}
const choices = computed(() => ({
  recipeId: (academy.today?.recipes ?? []).map(({ recipeId, name }) => ({ value: recipeId, label: name })),
  programmeId: programmes.value
    .filter(({ preparedId }) => preparedId !== props.preparedId)
    .map(({ preparedId, content }) => ({ value: preparedId, label: content.name })),
}))
const nameOf = (id: string) =>
  [...choices.value.recipeId, ...choices.value.programmeId].find(({ value }) => value === id)?.label ?? ''
</script>

<template>
  <EmptyPlace v-if="state !== 'here'" :says="t(`prepared.${state}`)" />
  <div v-else-if="found" class="stack">
    <RouterLink :to="{ name: 'programmes' }">{{ t('signOff.programme.all') }}</RouterLink>
    <h1 tabindex="-1" class="visually-hidden">{{ t('place.programme') }}</h1>
    <ThingCard
      :key="preparedId"
      :found="found"
      :choices="choices"
      :name-of="nameOf"
      @copied="router.push({ name: 'programme', params: { preparedId: $event.preparedId } })"
    >
      <template #default="{ record }">
        <p v-for="each in factsOf(record)" :key="each">{{ each }}</p>
      </template>
    </ThingCard>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
