<script setup lang="ts">
import { dateInZone } from '@calm-apron/core'
import type { TodayCoffee } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import BagLine from '../../shot/coffee/BagLine.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** A coffee that is being pulled, with its open bags. */
defineProps<{ coffee: TodayCoffee }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const now = useTimeOfDay(60_000)
const today = computed(() => dateInZone(now.value, academy.timeZone))
</script>

<template>
  <div class="coffee">
    <RouterLink :to="{ name: 'coffee', params: { preparedId: coffee.coffeeId } }">
      <strong>{{ coffee.name }}</strong>
    </RouterLink>
    <span class="soft">{{ coffee.roaster }}</span>
    <div v-for="bag in coffee.bags.filter(({ openedOn }) => openedOn !== null)" :key="bag.bagId">
      <BagLine :bag="bag" :window="coffee.freshness" :on-date="today" />
      <p class="soft">{{ t('bag.left', { left: format.quantity('stock', bag.leftG) }) }}</p>
    </div>
  </div>
</template>

<style scoped>
.coffee {
  padding-bottom: 12px;
}
a {
  margin-right: 8px;
}
p {
  margin: 0;
}
</style>
