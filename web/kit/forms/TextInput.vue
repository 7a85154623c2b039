<script setup lang="ts">
import { Input } from 'ant-design-vue'
import ThemeScope from '../theme/ThemeScope.vue'

/** A line that is typed, without its label; all that a native one takes goes on to it. */
defineOptions({ inheritAttrs: false })
const text = defineModel<string>({ required: true })
</script>

<template>
  <ThemeScope><Input v-model:value="text" v-bind="$attrs" /></ThemeScope>
</template>
