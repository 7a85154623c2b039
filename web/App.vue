<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { nextTick, onErrorCaptured, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterView, useRoute } from 'vue-router'
import EmptyPlace from './parts/EmptyPlace.vue'
import KeyHelp from './shell/KeyHelp.vue'
import TopBar from './shell/TopBar.vue'
import { usePlaceKeys } from './shell/usePlaceKeys.ts'
import { useAcademy } from './store/academy.ts'
import { applyPalette, useTheme } from './theme/useTheme.ts'

const { t } = useI18n()
const route = useRoute()
const academy = useAcademy()
const deskTheme = useTheme('desk')
const { isHelpOpen } = usePlaceKeys()
const failure = ref('')

applyPalette()
void academy.load()

onErrorCaptured((error) => {
  failure.value = error instanceof Error ? error.message : String(error)
  console.error(error)
  return false
})

// A new place begins at its heading, for keyboards and screen readers.
watch(
  () => route.name,
  async (_name, before) => {
    failure.value = ''
    await nextTick()
    const place = t(`place.${placeOf(String(route.name))}`)
    document.title = `${place} · ${t('app.name')}`
    if (before !== undefined) document.querySelector<HTMLElement>('h1')?.focus()
  },
  { immediate: true },
)

function placeOf(name: string): string {
  return ['today', 'progress', 'settings', 'reading', 'correct', 'waiting'].includes(name)
    ? name
    : name === 'nowhere'
      ? 'today'
      : 'bar'
}
</script>

<template>
  <ConfigProvider :theme="deskTheme" :auto-insert-space-in-button="false">
    <a class="skip" href="#main">{{ t('app.skip') }}</a>
    <TopBar />
    <main id="main" tabindex="-1">
      <p v-if="academy.state === 'remembered'" class="notice" role="status">{{ t('app.remembered') }}</p>
      <p v-if="failure" class="notice failed" role="alert">{{ t('app.failed', { message: failure }) }}</p>
      <RouterView v-if="academy.today" />
      <EmptyPlace v-else-if="academy.state === 'unreachable'" :says="t('app.unreachable')" />
      <EmptyPlace v-else-if="academy.state === 'none'" :says="t('app.none')" />
      <EmptyPlace v-else :says="t('app.loading')" />
    </main>
    <KeyHelp v-model:open="isHelpOpen" />
  </ConfigProvider>
</template>

<style scoped>
.skip {
  position: absolute;
  left: -1000px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 10;
  padding: 8px;
  background: var(--paper);
}
main:focus {
  outline: none;
}
.notice {
  margin: 0;
  padding: 8px 24px;
  background: var(--ochre-soft);
}
.failed {
  background: var(--plum-soft);
}
</style>
