<script setup lang="ts">
import { configProviderKey, defaultConfigProvider } from 'ant-design-vue/es/config-provider/context'
import { createTheme } from 'ant-design-vue/es/_util/cssinjs'
import { useDesignTokenProvider } from 'ant-design-vue/es/theme/internal'
import seedToken from 'ant-design-vue/es/theme/themes/seed'
import { computed, provide } from 'vue'
import { useTheme } from './useTheme.ts'

/**
 * Dresses the component library's parts inside it, each of which `kit` wraps in one of its own: so a page that shows none of
 * them fetches nothing of the library. Its own provider does the same, and brings messages, notifications and their icons
 * along, which nothing here shows.
 */
const theme = useTheme()
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
