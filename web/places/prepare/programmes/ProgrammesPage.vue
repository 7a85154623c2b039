<script setup lang="ts">
import { preparedInput, presetProgramme } from '@calm-apron/contract'
import { PRESET_PROGRAMMES, PROGRAMME_PRESETS, type ProgrammePreset } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { useDoor } from '../../../data/door/door.ts'
import PressButton from '../../../kit/parts/PressButton.vue'
import PresetCards from '../../../kit/parts/PresetCards.vue'
import PreparedList from '../PreparedList.vue'
import PresetChoice from '../PresetChoice.vue'
import { makeThing } from '../useThing.ts'
import { useProgrammeWords } from './useProgrammeWords.ts'

/** What the house asks of those who would work by themselves; written by heads, begun from one that ships. */
const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const { says } = useProgrammeWords()
const isChoosing = ref(false)
const mayWrite = computed(() => door.part === 'head')
const presets = computed(() =>
  PROGRAMME_PRESETS.map((key) => ({
    key,
    name: t(`signOff.programme.preset.${key}.name`),
    says: t(`signOff.programme.preset.${key}.says`),
  })),
)
const TICKS = ['prepare', 'dose', 'tamp', 'safe', 'clean'] as const

async function begin(preset: ProgrammePreset): Promise<void> {
  const ticks = TICKS.map((key) => ({ what: t(`signOff.programme.ticks.${key}`) }))
  const content = presetProgramme(preset, {
    name: t(`signOff.programme.preset.${preset}.name`),
    ticks: PRESET_PROGRAMMES[preset].way === 'ticks' ? ticks : [],
  })
  const { preparedId } = await makeThing(preparedInput.parse({ kind: 'programme', parentId: null, content }))
  await router.push({ name: 'programme', params: { preparedId } })
}
</script>

<template>
  <PreparedList
    kind="programme"
    :title="t('place.programmes')"
    :intro="mayWrite ? t('signOff.programme.intro') : t('signOff.programme.headsOnly')"
    :none="t('signOff.programme.none')"
    :is-beginning="isChoosing"
  >
    <template #actions>
      <PressButton v-if="mayWrite && !isChoosing" kind="primary" @click="isChoosing = true">{{
        t('signOff.programme.new')
      }}</PressButton>
    </template>
    <template #above>
      <PresetChoice v-if="isChoosing" :title="t('signOff.programme.choose')" @close="isChoosing = false">
        <PresetCards :presets="presets" @choose="begin" />
      </PresetChoice>
    </template>
    <template #default="{ thing: { preparedId, content } }">
      <div class="programme">
        <RouterLink class="name" :to="{ name: 'programme', params: { preparedId } }">{{
          content.name
        }}</RouterLink>
        <span class="soft">{{ says(content)[0] }}</span>
      </div>
    </template>
  </PreparedList>
</template>

<style scoped>
.programme {
  display: flex;
  align-items: center;
  gap: 24px;
  min-height: 52px;
}
.name {
  min-width: 240px;
}
</style>
