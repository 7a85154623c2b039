<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useDoor } from '../store/door.ts'

/** Someone was named without a check; as soon as the server answers, their PIN is asked for. */
const { t } = useI18n()
const door = useDoor()
</script>

<template>
  <div v-if="door.claimed && door.session" class="note" role="status">
    <span>{{ t('door.unconfirmed', { person: door.claimed.displayName }) }}</span>
    <RouterLink v-if="door.state === 'open'" :to="{ name: 'switch' }">{{ t('door.confirmNow') }}</RouterLink>
    <Button type="link" @click="door.claim(null)">{{
      t('door.backTo', { person: door.session.person.displayName })
    }}</Button>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 16px;
  padding: 4px 24px;
  background: var(--ochre-soft);
}
.note a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
