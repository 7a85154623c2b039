<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import SignOut from '../doors/SignOut.vue'
import PersonExportButton from '../people/PersonExportButton.vue'
import { useDoor } from '../../data/door/door.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import CaffeineCount from './CaffeineCount.vue'
import ClaimList from './ClaimList.vue'
import ChangePassword from './ChangePassword.vue'
import ChangePin from './ChangePin.vue'
import SessionList from './SessionList.vue'

const { t } = useI18n()
const door = useDoor()
const format = useFormat()
const session = computed(() => door.session)
</script>

<template>
  <div v-if="session" class="you">
    <header>
      <h1 tabindex="-1">{{ t('you.title') }}</h1>
      <p>
        {{ t('you.who', { person: session.person.displayName, role: t(`role.${session.person.role}`) }) }}.
        <template v-if="session.signInName"
          >{{ t('you.signInName', { name: session.signInName }) }}.</template
        >
        {{ t('you.until', { date: format.dateOf(session.endsAt, session.academy.timeZone) }) }}
      </p>
    </header>
    <ClaimList :time-zone="session.academy.timeZone" />
    <p v-if="session.signInName === null">{{ t('you.noSignIn') }}</p>
    <template v-else>
      <ChangePin :has-pin="session.hasPin" />
      <ChangePassword />
    </template>
    <CaffeineCount />
    <SessionList :time-zone="session.academy.timeZone" />
    <SignOut />
    <PersonExportButton :person-id="session.person.personId" :label="t('you.export')" />
  </div>
</template>

<style scoped>
.you {
  display: grid;
  gap: 32px;
  max-width: 640px;
}
</style>
