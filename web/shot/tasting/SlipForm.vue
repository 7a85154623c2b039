<script setup lang="ts">
import { TASTE_AXES } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, reactive } from 'vue'
import { useI18n } from 'vue-i18n'
import TasteAxisEntry from '../entry/TasteAxisEntry.vue'
import TasterNote from './TasterNote.vue'
import type { Taste } from './useTasting.ts'

/** One person's own word on the cup; nobody else sees it until both are in. */
defineProps<{
  personId: string
  /** What bag and recipe say it tastes of, where this device is told of them. */
  says: readonly string[]
}>()
const emit = defineEmits<{ filled: [taste: Taste] }>()
const { t } = useI18n()
const taste = reactive<Taste>({ sour: null, sweet: null, bitter: null, body: null, dryness: null })
const isEmpty = computed(() => Object.values(taste).every((value) => value === null))
</script>

<template>
  <form class="slip" @submit.prevent="emit('filled', { ...taste })">
    <p class="soft">{{ t('taste.hint') }}</p>
    <TasteAxisEntry
      v-for="axis in TASTE_AXES"
      :key="axis"
      v-model="taste[axis]"
      :label="t(`fact.${axis}.label`)"
    />
    <p v-for="each in says" :key="each" class="soft">{{ each }}</p>
    <TasterNote :person-id="personId" />
    <PressButton kind="primary" is-large type="submit" :disabled="isEmpty">{{ t('slip.keep') }}</PressButton>
  </form>
</template>

<style scoped>
.slip {
  display: grid;
  gap: 8px;
  --touch: 56px;
}
.slip :deep(.press-button.large) {
  min-height: 60px;
  font-size: 1.2rem;
}
</style>
