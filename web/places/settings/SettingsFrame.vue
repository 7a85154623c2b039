<script setup lang="ts">
import type { Action } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, RouterView } from 'vue-router'
import { useDoor } from '../../data/door/door.ts'

/** Settings with its parts beside it; only those that one's role may open. */
const { t } = useI18n()
const door = useDoor()

const PARTS: readonly { name: string; action: Action | null }[] = [
  { name: 'settings', action: null },
  { name: 'devices', action: null },
  { name: 'you', action: 'use-own-door' },
  { name: 'people', action: 'see-people' },
  { name: 'academy', action: 'change-academy' },
  { name: 'audit', action: 'see-audit' },
  { name: 'set-aside', action: 'decide-set-aside' },
]
const parts = computed(() =>
  PARTS.filter(({ name, action }) => {
    if (action === null) return true
    // A list of nobody but oneself is no place of its own.
    return door.may(action, name !== 'people')
  }),
)
</script>

<template>
  <div class="frame">
    <nav :aria-label="t('settings.parts')">
      <RouterLink v-for="part in parts" :key="part.name" :to="{ name: part.name }" class="part">{{
        t(`place.${part.name === 'settings' ? 'device' : part.name}`)
      }}</RouterLink>
    </nav>
    <div class="page"><RouterView /></div>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  gap: 24px 48px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
nav {
  display: grid;
  align-content: start;
}
.part {
  min-height: 44px;
  padding: 0 12px;
  display: flex;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
  border-left: 3px solid var(--mist);
}
.part.router-link-exact-active {
  border-left-color: var(--pine);
  font-weight: 700;
}
@media (max-width: 760px) {
  .frame {
    grid-template-columns: minmax(0, 1fr);
    padding: 16px;
  }
  nav {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
