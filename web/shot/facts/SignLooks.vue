<script setup lang="ts">
import { type BarStep, SIGNS_ASKED_AT, signGroupsAt } from '@calm-apron/core'
import { computed } from 'vue'
import type { ShotDraft } from '../draft/shotDraft.ts'
import SignLook from './SignLook.vue'

/** The looks that are made at a step; one that says again what was measured is left out. */
const props = defineProps<{ step: BarStep; measured?: { dose: boolean; time: boolean } }>()
const draft = defineModel<ShotDraft>({ required: true })
const groups = computed(() =>
  signGroupsAt(props.step).filter((group) => {
    const { instead } = SIGNS_ASKED_AT[group]
    return instead === undefined || props.measured?.[instead] !== true
  }),
)
</script>

<template>
  <SignLook v-for="group in groups" :key="group" v-model="draft" :group="group" />
</template>
