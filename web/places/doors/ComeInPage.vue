<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useDoor } from '../../data/door/door.ts'
import DemoPeople from './DemoPeople.vue'
import DevicePeople from './DevicePeople.vue'
import PasswordForm from './PasswordForm.vue'
import SetUpForm from './SetUpForm.vue'

/** The first screen: whoever is not known yet comes in here, and stays at the place they asked for. */
const { t } = useI18n()
const door = useDoor()
const isEmpty = computed(() => door.doors?.canSetUp === true && door.doors.demo === null)
const wantsPassword = ref(false)
const hasOtherWays = computed(() => door.returning.length > 0 || door.doors?.demo != null)
</script>

<template>
  <SetUpForm v-if="isEmpty" />
  <div v-else class="come-in">
    <header>
      <h1 tabindex="-1">{{ t('whoIsHere.title') }}</h1>
      <p v-if="door.wasEnded" role="status" class="ended">{{ t('door.changed') }}</p>
      <p v-else class="soft">{{ t('door.intro') }}</p>
    </header>
    <DevicePeople
      v-if="door.returning.length > 0"
      :people="door.returning"
      :title="t('door.onThisDevice')"
      @password="wantsPassword = true"
    />
    <DemoPeople v-if="door.doors?.demo" :demo="door.doors.demo" />
    <section v-if="wantsPassword || !hasOtherWays" aria-labelledby="by-password">
      <h2 id="by-password">{{ t('door.byPassword') }}</h2>
      <PasswordForm />
    </section>
    <p v-else>
      <PressButton is-large @click="wantsPassword = true">{{ t('door.byPassword') }}</PressButton>
    </p>
    <p v-if="door.doors?.canSetUp" class="own">
      <RouterLink :to="{ name: 'set-up' }">{{ t('door.ownAcademy') }}</RouterLink>
      <span class="soft">{{ t('door.ownAcademyHint') }}</span>
    </p>
  </div>
</template>

<style scoped>
.come-in {
  display: grid;
  gap: 24px;
  max-width: 960px;
  margin: 0 auto;
  padding: 24px;
}
.ended {
  padding: 8px 12px;
  background: var(--ochre-soft);
}
.own {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 12px;
  padding-top: 8px;
  border-top: 1px solid var(--mist);
}
.own a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
