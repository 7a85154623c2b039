<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import NoteBar from '../../kit/parts/NoteBar.vue'
import { useDoor } from '../../data/door/door.ts'

/** Someone was named without a check; as soon as the server answers, their PIN is asked for. */
const { t } = useI18n()
const door = useDoor()
</script>

<template>
  <NoteBar v-if="door.claimed && door.session">
    <span>{{ t('whoIsHere.unconfirmed', { person: door.claimed.displayName }) }}</span>
    <RouterLink v-if="door.state === 'open'" :to="{ name: 'switch' }">{{
      t('whoIsHere.confirmNow')
    }}</RouterLink>
    <PressButton kind="link" @click="door.claim(null)">{{
      t('whoIsHere.backTo', { person: door.session.person.displayName })
    }}</PressButton>
  </NoteBar>
</template>
