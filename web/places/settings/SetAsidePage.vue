<script setup lang="ts">
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { setAsideAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import SetAsideRow from './SetAsideRow.vue'

const { t } = useI18n()
const { value: told, state, load } = useAnswer(setAsideAsked)
const records = computed(() => told.value?.records ?? [])
const said = ref('')

async function decided(says: string): Promise<void> {
  said.value = says
  await load()
}
</script>

<template>
  <div class="stack">
    <h1 tabindex="-1">{{ t('setAside.title') }}</h1>
    <p class="soft">{{ t('setAside.intro') }}</p>
    <p v-if="said" role="status">{{ said }}</p>
    <EmptyPlace v-if="state === 'away'" :says="t('people.offline')" />
    <EmptyPlace v-else-if="told && records.length === 0" :says="t('setAside.none')" />
    <ul>
      <SetAsideRow v-for="record in records" :key="record.setAsideId" :record="record" @decided="decided" />
    </ul>
  </div>
</template>
