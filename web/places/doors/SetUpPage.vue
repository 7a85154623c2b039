<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useDoor } from '../../data/door/door.ts'
import SetUpForm from './SetUpForm.vue'

/** The first academy of someone's own, beside the demo. */
const { t } = useI18n()
const door = useDoor()
const router = useRouter()
</script>

<template>
  <SetUpForm v-if="door.doors?.canSetUp" :when-in="() => void router.push({ name: 'today' })" />
  <template v-else>
    <h1 class="visually-hidden" tabindex="-1">{{ t('setUp.title') }}</h1>
    <EmptyPlace :says="t('setUp.done')" :action="t('setUp.toSignIn')" :to="{ name: 'today' }" />
  </template>
</template>
