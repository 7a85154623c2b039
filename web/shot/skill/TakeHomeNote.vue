<script setup lang="ts">
import type { TakeHome } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** The last sentence that somebody was given to take home, with whose it is. */
defineProps<{ takeHome: TakeHome }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
</script>

<template>
  <p class="take-home">
    “{{ takeHome.text }}”
    <span class="soft">{{
      t('skill.takeHome.from', {
        person: academy.personName(takeHome.givenBy),
        date: format.dateOf(takeHome.givenAt, academy.timeZone),
      })
    }}</span>
  </p>
</template>

<style scoped>
.take-home {
  margin: 0;
}
</style>
