<script setup lang="ts">
import { ENDPOINTS } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import PinForm from './PinForm.vue'

/** While the tablet is in a trainee's hands for one shot, nothing else of it can be reached. */
const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()

async function takeBack(pin: string): Promise<void> {
  await door.comeIn(await call(ENDPOINTS.takeBack, { body: { pin } }))
}
</script>

<template>
  <div class="handed">
    <h1 tabindex="-1">
      {{ t('handed.title', { person: academy.personName(door.session?.handedOver?.personId ?? '') }) }}
    </h1>
    <p>{{ t('handed.intro') }}</p>
    <h2>{{ t('handed.takeBack') }}</h2>
    <PinForm :label="t('handed.pinFor')" :send="takeBack" />
  </div>
</template>

<style scoped>
.handed {
  max-width: 560px;
  margin: 0 auto;
  padding: 24px;
}
</style>
