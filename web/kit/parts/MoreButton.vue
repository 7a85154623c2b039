<script setup lang="ts">
import { ref } from 'vue'
import PressButton from './PressButton.vue'

/** Fetches the next page of a list; busy until it is there. */
const props = defineProps<{ load: () => Promise<void>; isLarge?: boolean }>()
const isBusy = ref(false)
async function more(): Promise<void> {
  isBusy.value = true
  try {
    await props.load()
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <PressButton :is-large="isLarge" :is-busy="isBusy" @click="more"><slot /></PressButton>
</template>
