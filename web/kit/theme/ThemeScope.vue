<script setup lang="ts">
import { configProviderKey, defaultConfigProvider } from 'ant-design-vue/es/config-provider/context'
import { createTheme } from 'ant-design-vue/es/_util/cssinjs'
import { useDesignTokenProvider } from 'ant-design-vue/es/theme/internal'
import seedToken from 'ant-design-vue/es/theme/themes/seed'
import { computed, provide } from 'vue'
import { useTheme } from './useTheme.ts'
import type { SIZES } from './tokens.ts'

/**
 * Dresses the component library's parts inside it for a place. The library's own provider does the same, and brings
 * messages, notifications and their icons along, which nothing here shows.
 */
const props = defineProps<{ place: keyof typeof SIZES }>()
const theme = useTheme(props.place)
provide(configProviderKey, { ...defaultConfigProvider, autoInsertSpaceInButton: computed(() => false) })
useDesignTokenProvider(
  computed(() => ({
    theme: createTheme(theme.value.algorithm),
    token: { ...seedToken, ...theme.value.token },
    // Its styles reach its own parts alone.
    hashed: true,
  })),
)
</script>

<template>
  <slot />
</template>
