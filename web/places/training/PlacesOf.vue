<script setup lang="ts">
import type { TodayPerson } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { usePullChoices } from '../../shot/start/usePullChoices.ts'
import type { SetupForm } from './useSetupForm.ts'

/** Where each of some people stands: at a group, or not there. */
const props = defineProps<{ form: SetupForm; people: readonly TodayPerson[] }>()
const { t } = useI18n()

// The form is the page's own, and stays the same one.
const { chosen, chosenBar } = props.form
const { groups } = usePullChoices(() => chosenBar.value)
const places = computed(() => [...groups.value, { value: '', label: t('lead.away') }])
</script>

<template>
  <div class="people">
    <ChoiceRow
      v-for="person in people"
      :key="person.personId"
      :model-value="chosen.at[person.personId] ?? ''"
      :label="person.displayName"
      :options="places"
      @update:model-value="chosen.at[person.personId] = $event"
    />
  </div>
</template>

<style scoped>
.people {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  gap: 16px 32px;
}
</style>
