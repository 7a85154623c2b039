<script setup lang="ts">
import { useId } from 'vue'
import { useI18n } from 'vue-i18n'
import PressButton from '../../kit/parts/PressButton.vue'

/** What a new thing may begin with, above the list that it will stand in; or nothing is begun. */
defineProps<{ title: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const titleId = useId()
</script>

<template>
  <section class="stack" :aria-labelledby="titleId">
    <h2 :id="titleId">{{ title }}</h2>
    <slot />
    <div>
      <PressButton @click="emit('close')">{{ t('prepared.leaveAsWas') }}</PressButton>
    </div>
  </section>
</template>
