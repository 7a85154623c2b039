<script setup lang="ts">
import { type Prepared, type PreparedRecord, asKind, preparedInput } from '@calm-apron/contract'
import { costPerShot, dateInZone, shotsLeft } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import DateField from '../../../kit/forms/DateField.vue'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import ThingCard from '../ThingCard.vue'
import ThingForm from '../ThingForm.vue'
import { useFound } from '../useFound.ts'
import { makeThing } from '../useThing.ts'
import BagLine from '../../../shot/coffee/BagLine.vue'
import FreshnessPresets from './FreshnessPresets.vue'
import { newBag } from '../../../shot/coffee/bagState.ts'
import { useBagWords } from '../../../shot/coffee/useBagWords.ts'
import { useCoffeeStock } from './useCoffeeStock.ts'

const props = defineProps<{ preparedId: string }>()
const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const academy = useAcademy()
const format = useFormat()
const words = useBagWords()
const { found, state, load: reload } = useFound(() => props.preparedId)
const stock = useCoffeeStock(props.preparedId)
const { bags } = stock
const onDate = ref(dateInZone(new Date(), academy.timeZone))
const isAdding = ref(false)
/** A dose where no recipe says one. */
const USUAL_DOSE_G = 18

const coffee = computed(() =>
  found.value === null ? null : (asKind(found.value, 'coffee')?.content ?? null),
)
const doseG = computed(() => academy.today?.recipes[0]?.targets.doseG ?? USUAL_DOSE_G)
const inUse = computed(() => bags.value.filter(({ content }) => content.finishedOn === null))
const finished = computed(() => bags.value.filter(({ content }) => content.finishedOn !== null))
const advice = computed(() => {
  if (coffee.value === null) return []
  const next = stock.next(coffee.value, onDate.value)
  const order = stock.order(coffee.value)
  const days = order.daysLeft === null ? null : Math.floor(order.daysLeft)
  return [
    ...(next ? [t('bags.openNext', { bag: next.content.name })] : []),
    ...(days === null ? [] : [t('bags.lasts', { days }, days)]),
    ...(order.isDue ? [t('bags.order', { lead: order.leadDays })] : []),
  ]
})

function amounts(bag: Prepared<'bag'>): string {
  const left = stock.leftG(bag)
  const shots = shotsLeft(left, doseG.value)
  const cost = costPerShot(coffee.value?.bagPrice ?? null, bag.content.bagG, doseG.value)
  return [
    t('bag.left', { left: format.quantity('stock', left) }),
    t('bags.shots', { shots, dose: format.mass(doseG.value) }, shots),
    ...(cost === null ? [] : [t('bags.cost', { cost: format.plain(cost) })]),
  ].join(' · ')
}
function kept({ content }: Prepared<'bag'>): string {
  return [
    t(`prepared.option.keptIn.${content.keptIn}`),
    content.openedOn === null ? '' : t('bags.opened', { date: format.calendarDate(content.openedOn) }),
    coffee.value === null ? '' : words.age(content, coffee.value.freshness, onDate.value),
  ]
    .filter(Boolean)
    .join(' · ')
}
const facts = (record: PreparedRecord) => {
  const content = asKind(record, 'coffee')?.content
  if (!content) return []
  const { restDays, bestUntilDays, usableUntilDays } = content.freshness
  return [
    content.roaster,
    content.origin,
    content.process,
    content.roastLevel === null ? '' : t(`prepared.option.roastLevel.${content.roastLevel}`),
    content.isForEspresso === true ? t('bags.forEspresso') : '',
    content.isForEspresso === false ? t('bags.notForEspresso') : '',
    content.bagWords,
    content.bagG === null ? '' : format.quantity('stock', content.bagG),
    content.bagPrice === null ? '' : t('bags.price', { price: format.plain(content.bagPrice) }),
    t('bags.window', { rest: restDays, best: bestUntilDays, usable: usableUntilDays }),
  ].filter(Boolean)
}
async function addBag(content: Record<string, unknown>): Promise<void> {
  await makeThing(preparedInput.parse({ kind: 'bag', parentId: props.preparedId, content }))
  isAdding.value = false
  await changed()
}
async function changed(): Promise<void> {
  await Promise.all([stock.load(), academy.load(), reload()])
}
</script>

<template>
  <EmptyPlace v-if="state !== 'here'" :says="t(`prepared.${state}`)" />
  <div v-else-if="found && coffee" class="stack">
    <RouterLink :to="{ name: 'coffees' }">{{ t('prepare.allCoffees') }}</RouterLink>
    <h1 tabindex="-1" class="visually-hidden">{{ t('place.coffee') }}</h1>
    <ThingCard
      :key="preparedId"
      :found="found"
      @changed="changed"
      @copied="router.push({ name: 'coffee', params: { preparedId: $event.preparedId } })"
    >
      <template #default="{ record }">
        <p class="facts">{{ facts(record).join(' · ') }}</p>
      </template>
      <template #form-below="{ change }"
        ><FreshnessPresets @choose="change({ freshness: $event })"
      /></template>
    </ThingCard>
    <section class="stack" aria-labelledby="bags">
      <div class="bags-head">
        <h2 id="bags">{{ t('bags.title') }}</h2>
        <DateField v-model="onDate" :label="t('bags.onDate')" />
        <PressButton v-if="door.may('prepare') && !isAdding" kind="primary" @click="isAdding = true">{{
          t('bags.add')
        }}</PressButton>
      </div>
      <ul v-if="advice.length > 0" class="advice">
        <li v-for="says in advice" :key="says">{{ says }}</li>
      </ul>
      <ThingForm
        v-if="isAdding"
        kind="bag"
        :start="newBag(coffee, t('bags.newName', { no: bags.length + 1 }))"
        :store="addBag"
        :save-label="t('bags.add')"
        @close="isAdding = false"
      />
      <p v-if="inUse.length === 0 && !isAdding" class="soft">{{ t('bags.none') }}</p>
      <ThingCard
        v-for="bag in inUse"
        :key="`${bag.preparedId} ${bag.revisionNo}`"
        :found="bag"
        :level="3"
        @changed="changed"
        @copied="changed"
      >
        <p class="amounts">{{ amounts(bag) }}</p>
        <BagLine :bag="bag.content" :window="coffee.freshness" :on-date="onDate" />
        <p class="soft kept">{{ kept(bag) }}</p>
      </ThingCard>
      <details v-if="finished.length > 0">
        <summary>{{ t('bags.finished', finished.length) }}</summary>
        <ThingCard
          v-for="bag in finished"
          :key="`${bag.preparedId} ${bag.revisionNo}`"
          :found="bag"
          :level="3"
          @changed="changed"
          @copied="changed"
        />
      </details>
    </section>
  </div>
</template>

<style scoped>
.facts,
.amounts,
.kept {
  margin: 0;
}
.bags-head {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 24px;
}
.bags-head > h2 {
  margin: 0 auto 0 0;
}
.advice li {
  padding: 8px 12px;
  border-left: 4px solid var(--cornflower);
}
</style>
