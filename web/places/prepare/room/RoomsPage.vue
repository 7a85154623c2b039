<script setup lang="ts">
import { type BarContent, preparedInput } from '@calm-apron/contract'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import PressButton from '../../../kit/parts/PressButton.vue'
import PreparedList from '../PreparedList.vue'
import ThingForm from '../ThingForm.vue'
import { makeThing } from '../useThing.ts'

const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const academy = useAcademy()
const isAdding = ref(false)

/** The two cloths have fixed jobs, so that no coffee oil meets milk; the rest every bench needs. */
const BENCH = ['dryCloth', 'dampCloth', 'knockBox', 'spoons', 'spitCups'] as const
const start = computed(() => ({
  name: '',
  bench: BENCH.map((key) => ({ what: t(`room.benchStart.${key}`), state: 'missing', note: '' })),
}))

function holds(barId: string): string {
  const bar = academy.bar(barId)
  return [...(bar?.machines ?? []), ...(bar?.grinders ?? [])].map(({ name }) => name).join(' · ')
}
const lacking = ({ bench }: BarContent) => bench.filter(({ state }) => state !== 'here').length

async function store(content: Record<string, unknown>): Promise<void> {
  const made = await makeThing(preparedInput.parse({ kind: 'bar', parentId: null, content }))
  await academy.load()
  await router.push({ name: 'room', params: { preparedId: made.preparedId } })
}
</script>

<template>
  <PreparedList
    kind="bar"
    :title="t('prepare.bar')"
    :intro="t('room.intro')"
    :none="t('room.none')"
    :is-beginning="isAdding"
  >
    <template #actions>
      <PressButton v-if="door.may('prepare') && !isAdding" kind="primary" @click="isAdding = true">{{
        t('room.add')
      }}</PressButton>
    </template>
    <template #above>
      <ThingForm
        v-if="isAdding"
        kind="bar"
        :start="start"
        :store="store"
        :save-label="t('room.make')"
        @close="isAdding = false"
      />
    </template>
    <template #default="{ thing: { preparedId, content } }">
      <div class="room">
        <RouterLink class="name" :to="{ name: 'room', params: { preparedId } }">{{
          content.name
        }}</RouterLink>
        <span class="soft">{{ holds(preparedId) }}</span>
        <span v-if="lacking(content) > 0" class="lacking">{{ t('room.lacking', lacking(content)) }}</span>
      </div>
    </template>
  </PreparedList>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(0, 2fr) auto;
  gap: 4px 24px;
  align-items: center;
  min-height: 52px;
}
.lacking {
  color: var(--ochre);
}
@media (max-width: 600px) {
  .room {
    grid-template-columns: minmax(0, 1fr);
    padding-bottom: 8px;
  }
}
</style>
