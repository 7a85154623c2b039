<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { UnusablePhoto, keepablePhoto } from './photo.ts'
import type { DraftPhoto } from '../draft/shotDraft.ts'

/** Photos of a shot, taken or chosen on this device. */
const photos = defineModel<DraftPhoto[]>({ required: true })
const { t } = useI18n()
const trouble = ref('')
const isFull = computed(() => photos.value.length >= BOUNDS.photosOfShot.max)

async function take(event: Event): Promise<void> {
  const input = event.target
  if (!(input instanceof HTMLInputElement) || !input.files?.[0]) return
  trouble.value = ''
  try {
    const picture = await keepablePhoto(input.files[0])
    photos.value = [...photos.value, { photoId: uuidv7(), picture, takenAt: new Date().toISOString() }]
  } catch (error) {
    if (!(error instanceof UnusablePhoto)) throw error
    trouble.value = t('photo.unusable')
  }
  input.value = ''
}
</script>

<template>
  <div class="photos">
    <label v-if="!isFull" class="add">
      <input type="file" accept="image/*" capture="environment" class="covers-label" @change="take" />{{
        t('photo.add')
      }}
    </label>
    <p v-else class="soft">{{ t('photo.full', { most: BOUNDS.photosOfShot.max }) }}</p>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
    <ul class="row">
      <li v-for="(photo, index) in photos" :key="photo.photoId">
        <img :src="photo.picture" :alt="t('photo.alt', { no: index + 1 })" />
        <PressButton kind="text" @click="photos = photos.filter((each) => each.photoId !== photo.photoId)">{{
          t('photo.remove')
        }}</PressButton>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.photos {
  margin-top: 12px;
}
.add {
  position: relative;
  display: inline-flex;
  align-items: center;
  min-height: 56px;
  padding: 0 16px;
  border: 2px solid var(--edge);
  border-radius: 8px;
}
.add:has(:focus-visible) {
  outline: 3px solid var(--cornflower);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
img {
  display: block;
  max-width: 160px;
  max-height: 120px;
  border-radius: 8px;
}
</style>
