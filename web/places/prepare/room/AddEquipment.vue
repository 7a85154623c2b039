<script setup lang="ts">
import { type RoomKind, preparedInput } from '@calm-apron/contract'
import PressButton from '../../../kit/parts/PressButton.vue'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useDoor } from '../../../data/door/door.ts'
import ThingForm from '../ThingForm.vue'
import { makeThing } from '../useThing.ts'
import MachineKindSets from './MachineKindSets.vue'
import { newEquipment } from './newEquipment.ts'

/** Adds one more of a kind to a room. */
const props = defineProps<{
  kind: RoomKind
  barId: string
  choices: Record<string, readonly { value: string; label: string }[]>
}>()
const emit = defineEmits<{ added: [] }>()
const { t } = useI18n()
const door = useDoor()
const isAdding = ref(false)

async function store(content: Record<string, unknown>): Promise<void> {
  await makeThing(preparedInput.parse({ kind: props.kind, parentId: props.barId, content }))
  isAdding.value = false
  emit('added')
}
</script>

<template>
  <div v-if="door.may('prepare')">
    <PressButton v-if="!isAdding" @click="isAdding = true">{{ t(`room.addKind.${kind}`) }}</PressButton>
    <ThingForm
      v-else
      :kind="kind"
      :start="newEquipment(kind)"
      :store="store"
      :save-label="t(`room.addKind.${kind}`)"
      :choices="choices"
      @close="isAdding = false"
    >
      <template #top="{ draft, change }">
        <MachineKindSets v-if="kind === 'machine'" :draft="draft" @change="change" />
      </template>
    </ThingForm>
  </div>
</template>
