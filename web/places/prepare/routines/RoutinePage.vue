<script setup lang="ts">
import { type PreparedRecord, asKind } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import ThingCard from '../ThingCard.vue'
import { useFound } from '../useFound.ts'
import StepsEditor from './StepsEditor.vue'
import StepsShown from './StepsShown.vue'

const props = defineProps<{ preparedId: string }>()
const { t } = useI18n()
const router = useRouter()
const { found, state } = useFound(() => props.preparedId)
/** None or one, so that the template needs no cast. */
const routineOf = (record: PreparedRecord) => [asKind(record, 'routine')?.content ?? []].flat()
</script>

<template>
  <EmptyPlace v-if="state !== 'here'" :says="t(`prepared.${state}`)" />
  <div v-else-if="found" class="stack">
    <RouterLink :to="{ name: 'routines' }">{{ t('routine.all') }}</RouterLink>
    <h1 tabindex="-1" class="visually-hidden">{{ t('place.routine') }}</h1>
    <ThingCard
      :key="preparedId"
      :found="found"
      :omitted="['steps']"
      @copied="router.push({ name: 'routine', params: { preparedId: $event.preparedId } })"
    >
      <template #default="{ record }">
        <StepsShown v-for="routine in routineOf(record)" :key="routine.name" :routine="routine" />
      </template>
      <template #form-below="{ draft, issues, change }"
        ><StepsEditor :draft="draft" :issues="issues" @change="change"
      /></template>
    </ThingCard>
  </div>
</template>
