<script setup lang="ts">
import { Input } from 'ant-design-vue'
import ThemeScope from '../theme/ThemeScope.vue'

/** Several lines that are typed, without their label. */
defineOptions({ inheritAttrs: false })
const text = defineModel<string>({ required: true })
</script>

<template>
  <ThemeScope><Input.TextArea v-model:value="text" v-bind="$attrs" /></ThemeScope>
</template>
