<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useDoor } from '../../../data/door/door.ts'
import { useShotList } from '../../../data/queries/useShots.ts'
import { useSlashKey } from '../../../kit/useSlashKey.ts'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import MoreButton from '../../../kit/parts/MoreButton.vue'
import PressButton from '../../../kit/parts/PressButton.vue'
import ProgressTabs from '../../../shot/ProgressTabs.vue'
import ShotRow from '../../../shot/reading/ShotRow.vue'
import ShotFilters from './ShotFilters.vue'
import { MOST_COMPARED } from './compared.ts'
import { useShotSearch } from './useShotSearch.ts'

/** Every shot, to be looked for by whatever is known of it; some of them ticked, to see them side by side. */
const { t } = useI18n()
const door = useDoor()
const { search, wanted, isSearched, clear } = useShotSearch()
const { shots, hasMore, isBehind, isKnown, isReached, loadMore } = useShotList(() => wanted.value)

const ticked = ref<string[]>([])
watch(wanted, () => (ticked.value = []))
function tick(shotId: string): void {
  const has = ticked.value.includes(shotId)
  ticked.value = has ? ticked.value.filter((each) => each !== shotId) : [...ticked.value, shotId]
}
const isFull = computed(() => ticked.value.length >= MOST_COMPARED)
const comparing = computed(() => ({ name: 'compare-shots', query: { shots: ticked.value.join(',') } }))

const textId = useId()
const textField = ref<HTMLInputElement | null>(null)
useSlashKey(textField)
</script>

<template>
  <div class="book">
    <ProgressTabs />
    <h1 tabindex="-1">{{ t('shots.title') }}</h1>
    <div class="head">
      <div class="text">
        <label :for="textId">{{ t('shots.text') }}</label>
        <input
          :id="textId"
          ref="textField"
          v-model="search.text"
          class="native"
          type="search"
          maxlength="100"
          :title="t('shots.key')"
        />
      </div>
      <PressButton v-if="isSearched" @click="clear">{{ t('shots.clear') }}</PressButton>
    </div>
    <details :open="isSearched">
      <summary>{{ t('shots.narrow') }}</summary>
      <ShotFilters v-model="search" />
    </details>
    <p class="soft hint">{{ t('shots.hint') }}</p>
    <p v-if="isKnown && !isReached && shots.length > 0" class="soft" role="status">
      {{ t('progress.offline') }}
    </p>
    <p v-if="isBehind" class="soft" role="status">{{ t('shots.behind') }}</p>
    <EmptyPlace v-if="!isKnown" :says="t('app.loading')" />
    <EmptyPlace v-else-if="shots.length === 0 && !isReached" :says="t('shots.offline')" />
    <EmptyPlace v-else-if="shots.length === 0" :says="t(isSearched ? 'shots.nothing' : 'shots.none')" />
    <ol v-else>
      <ShotRow
        v-for="listed in shots"
        :key="listed.shot.shotId"
        :listed="listed"
        :is-named="door.isStaff"
        is-dated
        :tick="{
          is: ticked.includes(listed.shot.shotId),
          isFull: isFull && !ticked.includes(listed.shot.shotId),
        }"
        @tick="tick(listed.shot.shotId)"
      />
    </ol>
    <MoreButton v-if="hasMore" :load="loadMore">{{ t('progress.earlier') }}</MoreButton>
    <div v-if="ticked.length > 0" class="compare" role="status">
      <span>{{ t('shots.ticked', ticked.length) }}</span>
      <RouterLink v-if="ticked.length > 1" class="go" :to="comparing">{{ t('shots.compare') }}</RouterLink>
      <PressButton @click="ticked = []">{{ t('shots.untick') }}</PressButton>
    </div>
  </div>
</template>

<style scoped>
.book {
  max-width: 1240px;
  margin: 0 auto;
  padding: 16px 24px 24px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
.book > details,
.book > ol {
  width: 100%;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px 24px;
}
.text label {
  display: block;
  margin-bottom: 4px;
}
.text input {
  width: min(420px, 80vw);
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
.hint {
  margin: 0;
}
.compare {
  position: sticky;
  bottom: 0;
  z-index: 2;
  width: 100%;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 24px;
  padding: 12px 16px;
  background: var(--raised);
  border-top: 2px solid var(--pine);
}
.go {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 20px;
  background: var(--pine);
  color: var(--paper);
  border-radius: 8px;
  text-decoration: none;
  font-weight: 700;
}
@media (max-width: 860px) {
  .book {
    padding: 16px;
  }
}
</style>
