<script setup lang="ts">
import type { PersonRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import InviteForm from './InviteForm.vue'
import PersonRow from './PersonRow.vue'
import { usePeople } from './usePeople.ts'

const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const { people, state, load } = usePeople()
const isInviting = ref(false)
const is = (wanted: boolean) => (person: PersonRecord) => (person.state === 'ended') === wanted
const here = computed(() => people.value.filter(is(false)))
const ended = computed(() => people.value.filter(is(true)))

async function invited(): Promise<void> {
  await Promise.all([load(), academy.load()])
}
</script>

<template>
  <div class="people">
    <header>
      <div>
        <h1 tabindex="-1">{{ t('people.title') }}</h1>
        <p class="soft">{{ t('people.intro') }}</p>
      </div>
      <PressButton
        v-if="door.may('invite-people') && !isInviting"
        kind="primary"
        @click="isInviting = true"
        >{{ t('people.invite') }}</PressButton
      >
    </header>
    <InviteForm v-if="isInviting" @invited="invited" @close="isInviting = false" />
    <EmptyPlace v-if="state === 'unreachable'" :says="t('people.offline')" />
    <EmptyPlace v-else-if="state === 'looking'" :says="t('app.loading')" />
    <ul v-else>
      <PersonRow v-for="person in here" :key="person.personId" :person="person" />
    </ul>
    <section v-if="ended.length > 0" aria-labelledby="ended">
      <h2 id="ended">{{ t('people.ended') }}</h2>
      <ul>
        <PersonRow v-for="person in ended" :key="person.personId" :person="person" />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.people {
  display: grid;
  gap: 16px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  justify-content: space-between;
  gap: 8px 24px;
}
header p {
  margin: 0;
}
</style>
