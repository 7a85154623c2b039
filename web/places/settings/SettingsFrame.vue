<script setup lang="ts">
import type { Action } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useDoor } from '../../data/door/door.ts'
import PartsFrame from '../../kit/parts/PartsFrame.vue'

/** Settings with its parts beside it; only those that one's role may open. */
const { t } = useI18n()
const route = useRoute()
const door = useDoor()

const PARTS: readonly { name: string; action: Action | null }[] = [
  { name: 'settings', action: null },
  { name: 'devices', action: null },
  { name: 'you', action: 'use-own-door' },
  { name: 'people', action: 'see-people' },
  { name: 'academy', action: 'change-academy' },
  { name: 'audit', action: 'see-audit' },
  { name: 'set-aside', action: 'decide-set-aside' },
]
// A list of nobody but oneself is no place of its own.
const mayOpen = (name: string, action: Action | null) =>
  action === null || door.may(action, name !== 'people')
const parts = computed(() =>
  PARTS.filter(({ name, action }) => mayOpen(name, action)).map(({ name }) => ({
    to: { name },
    name: t(`place.${name === 'settings' ? 'device' : name}`),
    isHere: route.name === name,
  })),
)
</script>

<template>
  <PartsFrame :label="t('settings.parts')" :parts="parts" />
</template>
