<script setup lang="ts">
import { type BarStep, SIGNS_ASKED_AT, isLookedAt, signGroupsAt } from '@calm-apron/core'
import { computed } from 'vue'
import type { ShotDraft } from '../draft/shotDraft.ts'
import SignLook from './SignLook.vue'

/** The looks that are made at a step; one that says again what was measured is left out. */
const props = defineProps<{ step: BarStep; isMeasured?: boolean }>()
const draft = defineModel<ShotDraft>({ required: true })
const groups = computed(() =>
  isLookedAt(draft.value.focus, 'signs')
    ? signGroupsAt(props.step).filter((group) => !(props.isMeasured && SIGNS_ASKED_AT[group].isInstead))
    : [],
)
</script>

<template>
  <SignLook v-for="group in groups" :key="group" v-model="draft" :group="group" />
</template>
