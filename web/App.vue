<script setup lang="ts">
import PressButton from './kit/parts/PressButton.vue'
import { computed, defineAsyncComponent, nextTick, onErrorCaptured, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterView, useRoute, useRouter } from 'vue-router'
import { clockAheadS } from './data/api/deviceClock.ts'
import { useFreshness } from './data/queries/useFreshness.ts'
import ClaimsNote from './places/doors/ClaimsNote.vue'
import UnconfirmedNote from './places/doors/UnconfirmedNote.vue'
import EmptyPlace from './kit/parts/EmptyPlace.vue'
import { PartNotFetched, fetched, useAppFiles } from './data/files/appFiles.ts'
import { useBarParts } from './shell/barParts.ts'
import { useNewVersion } from './shell/newVersion.ts'
import TopBar from './shell/TopBar.vue'
import { usePlaceKeys } from './shell/usePlaceKeys.ts'
import { useAcademy } from './data/academy/academy.ts'
import { useDoor } from './data/door/door.ts'
import { dropOldShots } from './data/device/keptShots.ts'
import { applyPalette } from './kit/theme/palette.ts'
import { useDrafts } from './shot/draft/drafts.ts'
import { useTrainings } from './shot/training/trainings.ts'
import { withWords } from './words/index.ts'

// None of these is on the way of somebody who is here already.
const ComeInPage = defineAsyncComponent(
  fetched(withWords('doors', () => import('./places/doors/ComeInPage.vue'))),
)
const HandedPage = defineAsyncComponent(
  fetched(withWords('doors', () => import('./places/doors/HandedPage.vue'))),
)
const KeyHelp = defineAsyncComponent(fetched(() => import('./shell/KeyHelp.vue')))

const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const door = useDoor()
// All are asked for as long as the app stands, whatever place is looked at.
const academy = useAcademy()
useTrainings()
useDrafts()
useFreshness()
const newVersion = useNewVersion()
const files = useAppFiles()
const { isHelpOpen } = usePlaceKeys()
const failure = ref('')
const TIDY_AFTER_MS = 10_000

applyPalette()
void door.load()
// What is old is forgotten once the first view stands.
setTimeout(() => void dropOldShots(Date.now()), TIDY_AFTER_MS)

onErrorCaptured((error) => {
  // The router has said so already.
  if (error instanceof PartNotFetched && files.missing !== null) return false
  failure.value = error instanceof Error ? error.message : String(error)
  console.error(error)
  return false
})

/** What stands on the page: a place, or what must come before it. */
const shown = computed(() => {
  if (files.isAwaited) return 'awaited'
  if (door.state === 'looking') return 'looking'
  if (door.state === 'unreachable') return 'unreachable'
  if (door.session === null) return route.meta.isOpen ? 'place' : 'come-in'
  if (door.session.handedOver !== null) return 'handed'
  if (route.meta.action !== undefined && !door.may(route.meta.action)) return 'not-yours'
  if (academy.today !== null || route.meta.isOpen || route.meta.needsNothing) return 'place'
  return academy.state === 'unreachable' ? 'unreachable' : 'looking'
})

useBarParts(() => shown.value === 'place')

const missingPlace = computed(() => t(`place.${files.missing?.meta.place ?? 'today'}`))
async function tryAgain(): Promise<void> {
  if (files.missing !== null) await router.push(files.missing.fullPath)
}

// A new place begins at its heading, for keyboards and screen readers.
watch(
  [() => route.name, shown],
  async ([name], [nameBefore]) => {
    failure.value = ''
    await nextTick()
    const place = shown.value === 'come-in' ? t('whoIsHere.title') : t(`place.${route.meta.place}`)
    document.title = `${place} · ${t('app.name')}`
    if (nameBefore !== undefined && name !== undefined) document.querySelector<HTMLElement>('h1')?.focus()
  },
  { immediate: true },
)
</script>

<template>
  <a class="skip" href="#main">{{ t('app.skip') }}</a>
  <TopBar />
  <main id="main" tabindex="-1">
    <p v-if="newVersion.isReady" class="notice" role="status">
      {{ t('app.newVersion') }}
      <PressButton kind="link" @click="newVersion.take">{{ t('app.takeNewVersion') }}</PressButton>
    </p>
    <UnconfirmedNote />
    <ClaimsNote />
    <p v-if="clockAheadS !== 0" class="notice" role="status">
      {{
        t(clockAheadS > 0 ? 'app.clockAhead' : 'app.clockBehind', {
          min: Math.round(Math.abs(clockAheadS) / 60),
        })
      }}
    </p>
    <p v-if="files.missing && !files.isAwaited" class="notice" role="status">
      {{ t('app.missing', { place: missingPlace }) }}
      <PressButton kind="link" @click="tryAgain">{{ t('app.tryAgain') }}</PressButton>
    </p>
    <p v-if="failure" class="notice failed" role="alert">{{ t('app.failed', { message: failure }) }}</p>
    <RouterView v-if="shown === 'place'" />
    <ComeInPage v-else-if="shown === 'come-in'" />
    <HandedPage v-else-if="shown === 'handed'" />
    <EmptyPlace
      v-else-if="shown === 'awaited'"
      role="status"
      :title="missingPlace"
      :says="t('app.awaited', { place: missingPlace })"
      :action="t('app.toToday')"
      :to="{ name: 'today' }"
    />
    <EmptyPlace
      v-else-if="shown === 'not-yours'"
      :says="t('whoIsHere.notForYou')"
      :action="t('app.toToday')"
      :to="{ name: 'today' }"
    />
    <EmptyPlace v-else-if="shown === 'unreachable'" :says="t('app.unreachable')" />
    <EmptyPlace v-else :says="t('app.loading')" />
  </main>
  <KeyHelp v-if="isHelpOpen" v-model:open="isHelpOpen" />
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
