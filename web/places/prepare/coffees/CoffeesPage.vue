<script setup lang="ts">
import { dateInZone } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import ListHead from '../../../kit/parts/ListHead.vue'
import { usePreparedList } from '../usePreparedList.ts'
import { useBagWords } from '../../../shot/coffee/useBagWords.ts'

const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const format = useFormat()
const words = useBagWords()
const now = useNow({ interval: 60_000 })
const { things, hasMore, search, isArchived, state, loadMore } = usePreparedList('coffee')

const today = computed(() => dateInZone(now.value, academy.timeZone))
const rows = computed(() =>
  things.value.map(({ preparedId, content }) => {
    const about = academy.today?.coffees.find(({ coffeeId }) => coffeeId === preparedId)
    return {
      id: preparedId,
      name: content.name,
      from: [content.roaster, content.origin].filter(Boolean).join(' · '),
      bags: (about?.bags ?? []).map((bag) => ({
        id: bag.bagId,
        name: bag.name,
        says: words.standing(bag, content.freshness, today.value),
        left: t('bag.left', { left: format.mass(bag.leftG) }),
      })),
    }
  }),
)
</script>

<template>
  <div class="stack">
    <ListHead
      v-model:search="search"
      v-model:is-archived="isArchived"
      can-search
      :title="t('prepare.coffees')"
      :intro="t('prepare.coffeesIntro')"
    >
      <RouterLink v-if="door.may('prepare')" class="press" :to="{ name: 'new-coffee' }">{{
        t('prepare.newCoffee')
      }}</RouterLink>
    </ListHead>
    <EmptyPlace v-if="state === 'unreachable'" :says="t('prepared.offline')" />
    <EmptyPlace
      v-else-if="state === 'here' && rows.length === 0"
      :says="search ? t('prepared.nothingFound', { search }) : t('prepare.noCoffees')"
    />
    <ul>
      <li v-for="row in rows" :key="row.id" class="row">
        <div>
          <RouterLink class="name" :to="{ name: 'coffee', params: { preparedId: row.id } }">{{
            row.name
          }}</RouterLink>
          <span class="soft">{{ row.from }}</span>
        </div>
        <ul>
          <li v-for="bag in row.bags" :key="bag.id" class="bag">
            <span>{{ bag.name }}</span>
            <strong>{{ bag.says }}</strong>
            <span>{{ bag.left }}</span>
          </li>
          <li v-if="row.bags.length === 0" class="soft">{{ t('bag.noneHere') }}</li>
        </ul>
      </li>
    </ul>
    <div>
      <PressButton v-if="hasMore" @click="loadMore()">{{ t('prepared.more') }}</PressButton>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 4px 24px;
  padding: 12px 0;
  border-bottom: 1px solid var(--mist);
}
.name {
  display: flex;
  align-items: center;
  min-height: 44px;
  font-weight: 650;
}
.bag {
  display: grid;
  grid-template-columns: 5em minmax(0, 1fr) 7em;
  gap: 12px;
  padding: 4px 0;
}
.bag > :last-child {
  text-align: right;
}
@media (max-width: 700px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
