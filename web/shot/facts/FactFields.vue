<script setup lang="ts">
import { type BarStep, areFactsAsked } from '@calm-apron/core'
import { computed } from 'vue'
import type { ShotDraft } from '../draft/shotDraft.ts'
import FactField from './FactField.vue'
import { rowsAt } from './factRows.ts'
import type { FactIssues } from './factIssues.ts'

/** Every fact of the table that is asked for at a step, in sight or folded, as far as the day looks at it. */
const props = defineProps<{ step: BarStep; place: 'first' | 'more'; issues: FactIssues }>()
const draft = defineModel<ShotDraft>({ required: true })
const rows = computed(() =>
  areFactsAsked(draft.value.focus, props.step, props.place) ? rowsAt(props.step, props.place) : [],
)
</script>

<template>
  <FactField
    v-for="placed in rows"
    :key="placed.name"
    v-model="draft"
    :placed="placed"
    :issue="issues(placed.name)"
  />
</template>
