<script setup lang="ts">
import { preparedInput } from '@calm-apron/contract'
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import ListHead from '../../../kit/parts/ListHead.vue'
import ThingForm from '../ThingForm.vue'
import { usePreparedList } from '../usePreparedList.ts'
import { makeThing } from '../useThing.ts'

const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const academy = useAcademy()
const { things, isArchived, state } = usePreparedList('bar')
const isAdding = ref(false)

/** The two cloths have fixed jobs, so that no coffee oil meets milk; the rest every bench needs. */
const BENCH = ['dryCloth', 'dampCloth', 'knockBox', 'spoons', 'spitCups'] as const
const start = computed(() => ({
  name: '',
  bench: BENCH.map((key) => ({ what: t(`room.benchStart.${key}`), state: 'missing', note: '' })),
}))

const rows = computed(() =>
  things.value.map(({ preparedId, content }) => {
    const bar = academy.today?.bars.find(({ barId }) => barId === preparedId)
    const named = [...(bar?.machines ?? []), ...(bar?.grinders ?? [])].map(({ name }) => name)
    const lacking = content.bench.filter((each) => each.state !== 'here').length
    return { id: preparedId, name: content.name, holds: named.join(' · '), lacking }
  }),
)

async function store(content: Record<string, unknown>): Promise<void> {
  const made = await makeThing(preparedInput.parse({ kind: 'bar', parentId: null, content }))
  await academy.load()
  await router.push({ name: 'room', params: { preparedId: made.preparedId } })
}
</script>

<template>
  <div class="stack">
    <ListHead v-model:is-archived="isArchived" :title="t('prepare.bar')" :intro="t('room.intro')">
      <PressButton v-if="door.may('prepare') && !isAdding" kind="primary" @click="isAdding = true">{{
        t('room.add')
      }}</PressButton>
    </ListHead>
    <ThingForm
      v-if="isAdding"
      kind="bar"
      :start="start"
      :store="store"
      :save-label="t('room.make')"
      @close="isAdding = false"
    />
    <EmptyPlace v-if="state === 'unreachable'" :says="t('prepared.offline')" />
    <EmptyPlace v-else-if="state === 'here' && rows.length === 0 && !isAdding" :says="t('room.none')" />
    <ul>
      <li v-for="row in rows" :key="row.id" class="row">
        <RouterLink class="name" :to="{ name: 'room', params: { preparedId: row.id } }">{{
          row.name
        }}</RouterLink>
        <span class="soft">{{ row.holds }}</span>
        <span v-if="row.lacking > 0" class="lacking">{{ t('room.lacking', row.lacking) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(0, 2fr) auto;
  gap: 4px 24px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--mist);
}
.name {
  display: flex;
  align-items: center;
  min-height: 44px;
  font-weight: 650;
}
.lacking {
  color: var(--ochre);
}
@media (max-width: 600px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
    padding-bottom: 8px;
  }
}
</style>
