<script setup lang="ts">
import LineIcon from '../kit/parts/LineIcon.vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useDoor } from '../data/door/door.ts'
import LineNote from './LineNote.vue'

const { t } = useI18n()
const door = useDoor()
const places = ['today', 'prepare', 'bar', 'progress', 'settings'] as const
</script>

<template>
  <header class="top">
    <RouterLink :to="{ name: 'today' }" class="brand">{{ t('app.name') }}</RouterLink>
    <nav v-if="door.session && !door.session.handedOver" :aria-label="t('app.places')">
      <RouterLink v-for="place in places" :key="place" :to="{ name: place }" class="place">{{
        t(`place.${place}`)
      }}</RouterLink>
    </nav>
    <LineNote v-if="door.session && !door.session.handedOver" class="line" />
    <RouterLink
      v-if="door.session && !door.session.handedOver"
      :to="{ name: 'switch' }"
      class="who"
      :class="{ claimed: door.claimed }"
      :aria-label="t('app.who', { person: door.personName })"
      :title="t('app.switch')"
    >
      <LineIcon sign="person" /><span class="name">{{ door.personName }}</span>
    </RouterLink>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 0 24px;
  border-bottom: 1px solid var(--mist);
}
.brand {
  font-weight: 700;
  color: var(--pine);
  text-decoration: none;
}
nav {
  display: flex;
  gap: 4px;
}
.place,
.brand,
.who {
  min-height: 52px;
  display: inline-flex;
  align-items: center;
}
.place {
  padding: 0 12px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 3px solid transparent;
}
.place.router-link-active {
  border-bottom-color: var(--pine);
  font-weight: 700;
}
.who {
  order: 2;
  margin-left: auto;
  gap: 8px;
  padding: 0 8px;
  color: var(--ink);
  text-decoration: none;
}
.line + .who {
  margin-left: 0;
}
.who.claimed {
  color: var(--ochre);
}
.line {
  order: 1;
  margin-left: auto;
  padding: 0 12px;
}
@media (max-width: 600px) {
  .top {
    flex-wrap: wrap;
    gap: 0 12px;
    padding: 0 8px;
  }
  .brand {
    display: none;
  }
  nav {
    width: 100%;
    gap: 0;
    justify-content: space-between;
  }
  .place {
    padding: 0 6px;
  }
  /* What is kept and sent again comes and goes: the page below must not move with it. */
  .line {
    flex: none;
    margin-left: 0;
    padding: 0 0 0 6px;
  }
  .line :deep(*) {
    white-space: nowrap;
  }
  .who,
  .line + .who {
    flex: 1;
    min-width: 0;
    justify-content: flex-end;
  }
  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
}
</style>
