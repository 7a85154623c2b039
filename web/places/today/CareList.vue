<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useCare } from './useCare.ts'

/** What needs care; each line leads to where one sees to it. */
const { t } = useI18n()
const care = useCare()
</script>

<template>
  <section aria-labelledby="care">
    <h2 id="care">{{ t('today.care') }}</h2>
    <ul v-if="care.length > 0">
      <li v-for="each in care" :key="each.key">
        <RouterLink :to="each.to">{{ each.says }}</RouterLink>
      </li>
    </ul>
    <p v-else class="soft">{{ t('today.noCare') }}</p>
  </section>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--mist);
}
a {
  display: block;
  padding: 10px 0 10px 12px;
  border-left: 4px solid var(--ochre);
  color: var(--ink);
  line-height: 1.3;
}
</style>
