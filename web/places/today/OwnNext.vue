<script setup lang="ts">
import type { PersonSkill } from '@calm-apron/contract'
import { computed, onMounted } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import TakeHomeNote from '../../shot/skill/TakeHomeNote.vue'
import { useOwnSentences } from '../../shot/skill/useOwnSentences.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** For whoever learns: what went right last time, and what to do next. */
const props = defineProps<{ skill: PersonSkill | null }>()
const emit = defineEmits<{ stands: [] }>()
const { t } = useI18n()
const ownSentences = useOwnSentences()
const now = useTimeOfDay(60_000)
onMounted(() => emit('stands'))

const says = computed(() => {
  const [family] = props.skill?.families ?? []
  return family === undefined ? [] : ownSentences(family, now.value.getTime(), props.skill?.takeHome)
})
</script>

<template>
  <section v-if="says.length > 0 || skill?.takeHome" class="own" aria-labelledby="own-next">
    <h2 id="own-next">{{ t('skill.title') }}</h2>
    <TakeHomeNote v-if="skill?.takeHome" :take-home="skill.takeHome" />
    <p v-for="each in says" :key="each">{{ each }}</p>
    <RouterLink :to="{ name: 'progress' }">{{ t('skill.own.all') }}</RouterLink>
  </section>
</template>

<style scoped>
.own {
  padding: 16px 20px;
  background: var(--raised);
  border-left: 4px solid var(--pine);
  font-size: 1.125rem;
}
h2,
p {
  margin: 0 0 8px;
}
a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
