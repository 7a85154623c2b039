<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import PartsFrame from '../../kit/parts/PartsFrame.vue'

/** Prepare with its parts beside it, in the order in which one sets a bar up. */
const { t } = useI18n()
const route = useRoute()
const PARTS = [
  { to: 'recipes', word: 'recipes', holds: ['recipe', 'new-recipe', 'compare-recipes'] },
  { to: 'coffees', word: 'coffees', holds: ['coffee', 'new-coffee'] },
  { to: 'rooms', word: 'bar', holds: ['room', 'grinder'] },
  { to: 'routines', word: 'routines', holds: ['routine'] },
  { to: 'programmes', word: 'programmes', holds: ['programme'] },
  { to: 'words', word: 'words', holds: [] },
  { to: 'cautions', word: 'cautions', holds: [] },
  { to: 'files', word: 'files', holds: [] },
] as const
const parts = computed(() =>
  PARTS.map(({ to, word, holds }) => ({
    to: { name: to },
    name: t(`prepare.${word}`),
    isHere: [to, ...holds].some((name) => name === route.name),
  })),
)
</script>

<template>
  <PartsFrame :label="t('prepare.parts')" :parts="parts" />
</template>
