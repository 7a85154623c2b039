<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** That what is shown is what this device heard last, and when. */
const props = defineProps<{ atMs: number }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

const at = computed(() => {
  const instant = new Date(props.atMs).toISOString()
  return format.momentOf(instant, academy.timeZone)
})
</script>

<template>
  <p class="soft" role="status">{{ t('skill.asOf', { at }) }}</p>
</template>
