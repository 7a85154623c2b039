<script setup lang="ts">
import { dateInZone } from '@calm-apron/core'
import { type PreparedRecord, asKind } from '@calm-apron/contract'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { bagOnDate } from '../../../shot/coffee/bagState.ts'
import ThingCard from '../ThingCard.vue'
import { useFound } from '../useFound.ts'
import AddEquipment from './AddEquipment.vue'
import BasketHelp from './BasketHelp.vue'
import BenchView from './BenchView.vue'
import EquipmentView from './EquipmentView.vue'
import GrinderScale from '../../../shot/equipment/GrinderScale.vue'
import MachineKindSets from './MachineKindSets.vue'
import MachineView from './MachineView.vue'
import RoomReady from './RoomReady.vue'
import { ROOM_KINDS } from './newEquipment.ts'
import { useRoom } from './useRoom.ts'

const props = defineProps<{ preparedId: string }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const { found, state, load: reload } = useFound(() => props.preparedId)
const room = useRoom(props.preparedId)
const { things, readiness, choices, nameOf } = room
/** The cards, by what they show, so that a picture can change what it shows. */
const cards = ref<Record<string, InstanceType<typeof ThingCard> | null>>({})

const SMALL = ROOM_KINDS.filter((kind) => kind !== 'machine' && kind !== 'grinder')
/** Coffees with an open bag, and whether it is still worth a single wall. */
const inUse = computed(() => {
  const onDate = dateInZone(new Date(), academy.timeZone)
  return (academy.today?.coffees ?? []).flatMap(({ name, bags, freshness }) => {
    const bag = bags.find(({ openedOn }) => openedOn !== null)
    if (!bag) return []
    const standing = bagOnDate(bag, freshness, onDate)
    return [{ name, isStale: standing === null || standing.freshness === 'past' }]
  })
})
const bench = computed(() => (found.value === null ? [] : (asKind(found.value, 'bar')?.content.bench ?? [])))

async function changed(): Promise<void> {
  await Promise.all([room.load(), academy.load(), reload()])
}
function keepCard(id: string, card: unknown): void {
  // Vue hands over what the template ref points to: the card, or null once it is gone.
  cards.value[id] = card as InstanceType<typeof ThingCard> | null
}
const machineOf = (record: PreparedRecord) => asKind(record, 'machine')
const grinderOf = (record: PreparedRecord) => asKind(record, 'grinder')
</script>

<template>
  <EmptyPlace v-if="state !== 'here'" :says="t(`prepared.${state}`)" />
  <div v-else-if="found" class="room">
    <RouterLink :to="{ name: 'rooms' }">{{ t('room.all') }}</RouterLink>
    <h1 tabindex="-1" class="visually-hidden">{{ t('place.room') }}</h1>
    <RoomReady :readiness="readiness" />
    <ThingCard
      :ref="(card) => keepCard(preparedId, card)"
      :found="found"
      @changed="changed"
      @copied="router.push({ name: 'room', params: { preparedId: $event.preparedId } })"
    >
      <template #default="{ record }">
        <BenchView :bench="bench" @change="cards[preparedId]?.save({ ...record.content, bench: $event })" />
      </template>
    </ThingCard>

    <section aria-labelledby="machines">
      <h2 id="machines">{{ t('room.kind.machine') }}</h2>
      <ThingCard
        v-for="each in things.machine"
        :key="each.preparedId"
        :ref="(card) => keepCard(each.preparedId, card)"
        :found="each"
        :level="3"
        :choices="choices"
        :name-of="nameOf"
        @changed="changed"
        @copied="changed"
      >
        <template #default="{ record }">
          <MachineView
            v-if="machineOf(record)"
            :machine="machineOf(record) ?? each"
            :baskets="things.basket"
            @switched="cards[each.preparedId]?.save($event)"
          />
        </template>
        <template #form-top="{ draft, change }"><MachineKindSets :draft="draft" @change="change" /></template>
      </ThingCard>
      <AddEquipment kind="machine" :bar-id="preparedId" :choices="choices" @added="changed" />
    </section>

    <section aria-labelledby="grinders">
      <h2 id="grinders">{{ t('room.kind.grinder') }}</h2>
      <article v-for="each in things.grinder" :key="each.preparedId" :aria-label="each.content.name">
        <h3>
          <RouterLink class="name" :to="{ name: 'grinder', params: { preparedId: each.preparedId } }">{{
            each.content.name
          }}</RouterLink>
          <span v-if="grinderOf(each)?.content.lock" class="locked">{{ t('grinder.isLocked') }}</span>
        </h3>
        <GrinderScale :grinder="each.content" />
      </article>
      <AddEquipment kind="grinder" :bar-id="preparedId" :choices="choices" @added="changed" />
    </section>

    <section v-for="kind in SMALL" :key="kind" :aria-labelledby="`kind-${kind}`">
      <h2 :id="`kind-${kind}`">{{ t(`room.kind.${kind}`) }}</h2>
      <BasketHelp v-if="kind === 'basket'" :coffees="inUse" />
      <p v-if="kind === 'vessel'" class="soft">{{ t('room.weighOnce') }}</p>
      <ThingCard
        v-for="each in things[kind]"
        :key="each.preparedId"
        :found="each"
        :level="3"
        :choices="choices"
        @changed="changed"
        @copied="changed"
      >
        <template #default="{ record }"><EquipmentView :record="record" /></template>
      </ThingCard>
      <AddEquipment :kind="kind" :bar-id="preparedId" :choices="choices" @added="changed" />
    </section>
  </div>
</template>

<style scoped>
.room {
  display: grid;
  gap: 24px;
}
section {
  display: grid;
  gap: 16px;
  padding-top: 16px;
  border-top: 2px solid var(--mist);
}
h2,
h3 {
  margin: 0;
}
.name {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
.locked {
  margin-left: 12px;
  color: var(--ochre);
  font-weight: 400;
}
</style>
