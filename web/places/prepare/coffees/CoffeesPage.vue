<script setup lang="ts">
import type { CoffeeContent } from '@calm-apron/contract'
import { dateInZone } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { useBagWords } from '../../../shot/coffee/useBagWords.ts'
import PreparedList from '../PreparedList.vue'
import { useTimeOfDay } from '../../../kit/useTimeOfDay.ts'

const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const format = useFormat()
const words = useBagWords()
const now = useTimeOfDay(60_000)

const onDate = computed(() => dateInZone(now.value, academy.timeZone))
const fromOf = ({ roaster, origin }: CoffeeContent) => [roaster, origin].filter(Boolean).join(' · ')
const bagsOf = (coffeeId: string) =>
  academy.today?.coffees.find((each) => each.coffeeId === coffeeId)?.bags ?? []
</script>

<template>
  <PreparedList
    kind="coffee"
    can-search
    :title="t('prepare.coffees')"
    :intro="t('prepare.coffeesIntro')"
    :none="t('prepare.noCoffees')"
  >
    <template #actions>
      <RouterLink v-if="door.may('prepare')" class="press" :to="{ name: 'new-coffee' }">{{
        t('prepare.newCoffee')
      }}</RouterLink>
    </template>
    <template #default="{ thing: { preparedId, content } }">
      <div class="coffee">
        <div>
          <RouterLink class="name" :to="{ name: 'coffee', params: { preparedId } }">{{
            content.name
          }}</RouterLink>
          <span class="soft">{{ fromOf(content) }}</span>
        </div>
        <ul>
          <li v-for="bag in bagsOf(preparedId)" :key="bag.bagId" class="bag">
            <span>{{ bag.name }}</span>
            <strong>{{ words.standing(bag, content.freshness, onDate) }}</strong>
            <span>{{ t('bag.left', { left: format.quantity('stock', bag.leftG) }) }}</span>
          </li>
          <li v-if="bagsOf(preparedId).length === 0" class="soft">{{ t('bags.noneHere') }}</li>
        </ul>
      </div>
    </template>
  </PreparedList>
</template>

<style scoped>
.coffee {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 4px 24px;
  padding: 12px 0;
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
  .coffee {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
