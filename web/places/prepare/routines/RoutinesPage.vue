<script setup lang="ts">
import { preparedInput } from '@calm-apron/contract'
import { PRESET_STEPS, ROUTINE_PRESETS, type RoutinePreset, shippedStep } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { useDoor } from '../../../data/door/door.ts'
import PressButton from '../../../kit/parts/PressButton.vue'
import PresetCards from '../../../kit/parts/PresetCards.vue'
import PreparedList from '../PreparedList.vue'
import PresetChoice from '../PresetChoice.vue'
import { makeThing } from '../useThing.ts'

const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const isChoosing = ref(false)
const presets = computed(() =>
  ROUTINE_PRESETS.map((key) => ({
    key,
    name: t(`routine.preset.${key}.name`),
    says: t(`routine.preset.${key}.says`),
  })),
)

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
  <PreparedList
    kind="routine"
    can-search
    :title="t('prepare.routines')"
    :intro="t('routine.intro')"
    :none="t('routine.none')"
    :is-beginning="isChoosing"
  >
    <template #actions>
      <PressButton v-if="door.may('prepare') && !isChoosing" kind="primary" @click="isChoosing = true">{{
        t('routine.new')
      }}</PressButton>
    </template>
    <template #above>
      <PresetChoice v-if="isChoosing" :title="t('routine.choose')" @close="isChoosing = false">
        <PresetCards :presets="presets" @choose="begin" />
      </PresetChoice>
    </template>
    <template #default="{ thing: { preparedId, content } }">
      <div class="routine">
        <RouterLink class="name" :to="{ name: 'routine', params: { preparedId } }">{{
          content.name
        }}</RouterLink>
        <span class="soft">{{ t('routine.steps', content.steps.length) }}</span>
      </div>
    </template>
  </PreparedList>
</template>

<style scoped>
.routine {
  display: flex;
  align-items: center;
  gap: 24px;
  min-height: 52px;
}
.name {
  min-width: 240px;
}
</style>
