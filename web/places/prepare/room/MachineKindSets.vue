<script setup lang="ts">
import { MACHINE_KINDS, WARM_UP_MINUTES } from '@calm-apron/core'
import { watch } from 'vue'

/** Another kind of machine brings its usual minutes of warm-up along; they can be changed after. Nothing is drawn. */
const props = defineProps<{ draft: Record<string, unknown> }>()
const emit = defineEmits<{ change: [parts: Record<string, unknown>] }>()

watch(
  () => props.draft['kind'],
  (kind) => {
    const known = MACHINE_KINDS.find((each) => each === kind)
    if (known) emit('change', { warmUpMinutes: WARM_UP_MINUTES[known] })
  },
)
</script>

<template><span hidden></span></template>
