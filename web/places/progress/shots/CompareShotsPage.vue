<script setup lang="ts">
import { unpackSeries } from '@calm-apron/core'
import { computed, defineAsyncComponent } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { useAcademy } from '../../../data/academy/academy.ts'
import { type FoundShot, useShot } from '../../../data/queries/useShots.ts'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import PressButton from '../../../kit/parts/PressButton.vue'
import { useFormat } from '../../../kit/units/useFormat.ts'
import ComparedShot from './ComparedShot.vue'
import { MOST_COMPARED, comparedIn, hidden, queryFor } from './compared.ts'

/** Two to four shots side by side, their curves over each other; which is which can be hidden, and shown again. */
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const academy = useAcademy()
const format = useFormat()
const OverlaidCurves = defineAsyncComponent(() => import('./OverlaidCurves.vue'))

const compared = computed(() => comparedIn(route.query))
const slots: FoundShot[] = Array.from({ length: MOST_COMPARED }, (_each, at) =>
  useShot(() => compared.value.shotIds[at] ?? ''),
)
const columns = computed(() =>
  compared.value.shotIds.map((shotId, at) => {
    const shot = slots[at]?.shot.value ?? null
    const code = compared.value.codes[at] ?? ''
    const person = shot === null ? '' : academy.personName(shot.personId)
    const time = shot === null ? '' : format.timeOf(shot.pulledAt, academy.timeZone)
    const date = shot === null ? '' : format.dateOf(shot.pulledAt, academy.timeZone)
    const own = [person, date, time].filter((each) => each !== '').join(', ')
    const name = compared.value.isBlind ? code : [code, own].filter((each) => each !== '').join(' · ')
    return { shotId, shot, name: name === '' ? String(at + 1) : name, state: slots[at]?.state.value }
  }),
)
const curves = computed(() =>
  columns.value.flatMap(({ name, shot }) => {
    const samples = unpackSeries(shot?.series?.weight ?? '')
    return samples.length > 0 ? [{ name, samples }] : []
  }),
)
const isHere = computed(() => columns.value.every(({ state }) => state !== 'looking'))

function hide(): void {
  void router.replace({ query: queryFor(hidden(compared.value, Math.random)) })
}
function reveal(): void {
  void router.replace({ query: queryFor({ ...compared.value, isBlind: false }) })
}
</script>

<template>
  <div class="compare">
    <RouterLink v-if="!compared.isBlind" class="back" :to="{ name: 'shots' }">{{
      t('compare.toShots')
    }}</RouterLink>
    <h1 tabindex="-1">{{ t('place.compare-shots') }}</h1>
    <EmptyPlace
      v-if="columns.length < 2"
      :says="t('compare.none')"
      :action="t('compare.toShots')"
      :to="{ name: 'shots' }"
    />
    <template v-else>
      <p v-if="compared.isBlind" role="status">
        {{ t('compare.hidden') }} <PressButton @click="reveal">{{ t('compare.reveal') }}</PressButton>
      </p>
      <p v-else>
        <PressButton @click="hide">{{ t('compare.hide') }}</PressButton>
      </p>
      <OverlaidCurves v-if="curves.length > 0" :curves="curves" />
      <p v-else-if="isHere" class="soft">{{ t('compare.noCurves') }}</p>
      <div class="columns">
        <template v-for="{ shotId, shot, name, state } in columns" :key="shotId">
          <ComparedShot v-if="shot" :name="name" :shot="shot" :is-blind="compared.isBlind" />
          <section v-else :aria-label="name">
            <h2>{{ name }}</h2>
            <p class="soft">
              {{
                state === 'looking'
                  ? t('app.loading')
                  : t(state === 'call-first' ? 'compare.waits' : 'compare.away')
              }}
            </p>
          </section>
        </template>
      </div>
    </template>
  </div>
</template>

<style scoped>
.compare {
  max-width: 1240px;
  margin: 0 auto;
  padding: 16px 24px 24px;
  display: grid;
  gap: 12px;
}
.compare > p {
  margin: 0;
}
.back {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  justify-self: start;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 24px 32px;
}
@media (max-width: 860px) {
  .compare {
    padding: 16px;
  }
}
</style>
