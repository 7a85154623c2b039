<script setup lang="ts">
import type { PersonRecord } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

const props = defineProps<{ person: PersonRecord }>()
const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const format = useFormat()

const name = computed(() => props.person.displayName || t('app.someoneErased'))
const isYou = computed(() => props.person.personId === door.session?.person.personId)
const seen = computed(() => {
  const at = props.person.lastSeenAt
  if (at === null) return ''
  const zone = academy.timeZone
  return t('people.lastSeen', { date: format.dateOf(at, zone), time: format.timeOf(at, zone) })
})
</script>

<template>
  <li class="row">
    <span class="name">
      <RouterLink
        v-if="door.may('change-people') && person.erasedAt === null"
        :to="{ name: 'person', params: { personId: person.personId } }"
        >{{ name }}</RouterLink
      >
      <span v-else>{{ name }}</span>
      <span v-if="isYou" class="soft"> ({{ t('people.you') }})</span>
    </span>
    <span>{{ t(`role.${person.role}`) }}</span>
    <span class="state" :class="person.state">{{ t(`people.state.${person.state}`) }}</span>
    <span class="soft seen">{{ seen }}</span>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1.3fr) minmax(0, 1.3fr) minmax(0, 1.6fr);
  gap: 4px 16px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--mist);
}
.name a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  font-weight: 650;
}
.invited {
  color: var(--ochre);
}
.ended {
  color: var(--plum);
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: minmax(0, 1fr) auto;
    padding: 4px 0;
  }
  .seen {
    text-align: right;
  }
}
</style>
