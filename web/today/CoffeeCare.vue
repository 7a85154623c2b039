<script setup lang="ts">
import type { Coffee } from '@calm-apron/contract'
import { coffeeAge } from '@calm-apron/core'
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../store/academy.ts'
import { dateInZone } from '../units/calendar.ts'
import { useFormat } from '../units/useFormat.ts'

const props = defineProps<{ coffee: Coffee }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const now = useNow({ interval: 60_000 })

const bags = computed(() =>
  props.coffee.bags.map((bag) => {
    const age = coffeeAge(bag.roastedOn, dateInZone(now.value, academy.timeZone), props.coffee.freshness)
    return {
      id: bag.bagId,
      roasted: t('today.roasted', { date: format.calendarDate(bag.roastedOn), days: age.days }, age.days),
      freshness: age.freshness,
      hint: t(`freshnessHint.${age.freshness}`, { days: age.restDaysLeft }, age.restDaysLeft),
    }
  }),
)
</script>

<template>
  <div>
    <strong>{{ coffee.name }}</strong> <span class="soft">{{ coffee.roaster }}</span>
    <p v-if="bags.length === 0" class="soft">{{ t('today.noBag') }}</p>
    <p v-for="bag in bags" :key="bag.id" class="bag">
      {{ bag.roasted }}: <strong :class="bag.freshness">{{ t(`freshness.${bag.freshness}`) }}</strong>.
      {{ bag.hint }}
    </p>
  </div>
</template>

<style scoped>
.bag {
  margin: 4px 0 0;
}
.in-window {
  color: var(--pine);
}
.too-fresh,
.fading {
  color: var(--ochre);
}
.past {
  color: var(--plum);
}
</style>
