<script setup lang="ts">
import { preparedInput } from '@calm-apron/contract'
import { PRESET_STEPS, ROUTINE_PRESETS, type RoutinePreset, shippedStep } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useDoor } from '../../../data/door/door.ts'
import ListHead from '../../../kit/parts/ListHead.vue'
import { usePreparedList } from '../usePreparedList.ts'
import { makeThing } from '../useThing.ts'

const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const { things, hasMore, search, isArchived, state, loadMore } = usePreparedList('routine')
const isChoosing = ref(false)

async function begin(preset: RoutinePreset): Promise<void> {
  const content = {
    name: t(`routine.preset.${preset}.name`),
    isOrderEnforced: false,
    steps: PRESET_STEPS[preset].map(shippedStep),
  }
  const { preparedId } = await makeThing(preparedInput.parse({ kind: 'routine', parentId: null, content }))
  await router.push({ name: 'routine', params: { preparedId } })
}
</script>

<template>
  <div class="stack">
    <ListHead
      v-model:search="search"
      v-model:is-archived="isArchived"
      can-search
      :title="t('prepare.routines')"
      :intro="t('routine.intro')"
    >
      <PressButton v-if="door.may('prepare') && !isChoosing" kind="primary" @click="isChoosing = true">{{
        t('routine.new')
      }}</PressButton>
    </ListHead>
    <section v-if="isChoosing" class="stack" aria-labelledby="choose-routine">
      <h2 id="choose-routine">{{ t('routine.choose') }}</h2>
      <ul class="presets">
        <li v-for="preset in ROUTINE_PRESETS" :key="preset">
          <button type="button" class="preset" @click="begin(preset)">
            <strong>{{ t(`routine.preset.${preset}.name`) }}</strong>
            <span>{{ t(`routine.preset.${preset}.says`) }}</span>
          </button>
        </li>
      </ul>
      <div>
        <PressButton @click="isChoosing = false">{{ t('prepared.leaveAsWas') }}</PressButton>
      </div>
    </section>
    <EmptyPlace v-if="state === 'unreachable'" :says="t('prepared.offline')" />
    <EmptyPlace
      v-else-if="state === 'here' && things.length === 0 && !isChoosing"
      :says="search ? t('prepared.nothingFound', { search }) : t('routine.none')"
    />
    <ul>
      <li v-for="each in things" :key="each.preparedId" class="row">
        <RouterLink class="name" :to="{ name: 'routine', params: { preparedId: each.preparedId } }">{{
          each.content.name
        }}</RouterLink>
        <span class="soft">{{ t('routine.steps', each.content.steps.length) }}</span>
      </li>
    </ul>
    <div>
      <PressButton v-if="hasMore" @click="loadMore()">{{ t('prepared.more') }}</PressButton>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 24px;
  min-height: 52px;
  border-bottom: 1px solid var(--mist);
}
.name {
  display: flex;
  align-items: center;
  min-height: 44px;
  min-width: 240px;
  font-weight: 650;
}
.presets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 12px;
}
.preset {
  display: grid;
  gap: 4px;
  width: 100%;
  height: 100%;
  padding: 12px 16px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--raised);
  border: 2px solid var(--edge);
  border-radius: 8px;
  cursor: pointer;
  align-content: start;
}
</style>
