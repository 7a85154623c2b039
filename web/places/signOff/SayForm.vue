<script setup lang="ts">
import { ref } from 'vue'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import PressButton from '../../kit/parts/PressButton.vue'

/** A few words that are said in writing, such as an appeal or an answer. */
const props = defineProps<{
  title: string
  intro?: string
  label: string
  action: string
  send: (text: string) => Promise<boolean>
  isBusy: boolean
  failure: string
}>()
const text = ref('')
async function submit(): Promise<void> {
  if (await props.send(text.value)) text.value = ''
}
</script>

<template>
  <form class="say" :aria-label="title" @submit.prevent="submit">
    <h2>{{ title }}</h2>
    <p v-if="intro">{{ intro }}</p>
    <slot />
    <FormField v-model="text" :label="label" :maxlength="300" />
    <FormFailure :says="failure" />
    <PressButton type="submit" :is-busy="isBusy" :disabled="text.trim().length < 3">{{ action }}</PressButton>
  </form>
</template>

<style scoped>
.say {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 720px;
}
.say > :deep(.field) {
  width: 100%;
}
h2,
p {
  margin: 0;
}
</style>
