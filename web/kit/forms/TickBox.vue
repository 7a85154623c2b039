<script setup lang="ts">
import { Checkbox } from 'ant-design-vue'
import ThemeScope from '../theme/ThemeScope.vue'

/** Something that is so or not, with its words beside it. */
const isTicked = defineModel<boolean>({ required: true })
</script>

<template>
  <ThemeScope
    ><Checkbox v-model:checked="isTicked" class="tick"><slot /></Checkbox
  ></ThemeScope>
</template>

<style scoped>
.tick {
  min-height: 48px;
  align-items: center;
}
</style>
