<script setup lang="ts" generic="K extends PreparedKind">
import type { Prepared, PreparedKind } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import ListHead from '../../kit/parts/ListHead.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { usePreparedList } from './usePreparedList.ts'

/**
 * Everything of one kind by name: its head with what can be done, what is begun above it, a row each, and more on demand. An
 * empty list says what belongs there.
 */
const props = defineProps<{
  kind: K
  title: string
  intro: string
  /** What an empty list says. */
  none: string
  canSearch?: boolean
  /** Something is being begun above the list: it is not called empty meanwhile. */
  isBeginning?: boolean
}>()
defineSlots<{
  default: (row: { thing: Prepared<K> }) => unknown
  /** What can be done with the list. */
  actions?: () => unknown
  /** What is being begun. */
  above?: () => unknown
}>()
const { t } = useI18n()
const { things, hasMore, search, isArchived, state, loadMore } = usePreparedList(props.kind)
</script>

<template>
  <div class="stack">
    <ListHead
      v-model:search="search"
      v-model:is-archived="isArchived"
      :can-search="canSearch"
      :title="title"
      :intro="intro"
    >
      <slot name="actions" />
    </ListHead>
    <slot name="above" />
    <EmptyPlace v-if="state === 'unreachable'" :says="t('prepared.offline')" />
    <EmptyPlace
      v-else-if="state === 'here' && things.length === 0 && !isBeginning"
      :says="search ? t('prepared.nothingFound', { search }) : none"
    />
    <ul>
      <li v-for="thing in things" :key="thing.preparedId" class="row"><slot :thing="thing" /></li>
    </ul>
    <div v-if="hasMore">
      <PressButton @click="loadMore()">{{ t('prepared.more') }}</PressButton>
    </div>
  </div>
</template>

<style scoped>
.row {
  min-height: 52px;
  border-bottom: 1px solid var(--mist);
}
/* The name, which leads to the thing. */
.row :deep(.name) {
  display: flex;
  align-items: center;
  min-height: 44px;
  font-weight: 650;
}
</style>
