<script setup lang="ts">
import { Modal } from 'ant-design-vue'
import ThemeScope from '../theme/ThemeScope.vue'

/** A page over the page, closed by its cross, by escape, or beside it. */
defineProps<{ title: string }>()
const isOpen = defineModel<boolean>('open', { required: true })
</script>

<template>
  <ThemeScope
    ><Modal v-model:open="isOpen" :title="title" :footer="null"><slot /></Modal
  ></ThemeScope>
</template>
