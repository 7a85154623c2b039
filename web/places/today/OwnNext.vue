<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { skillAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import TakeHomeNote from '../../shot/skill/TakeHomeNote.vue'
import { useOwnSentences } from '../../shot/skill/useOwnSentences.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** For whoever learns: what went right last time, and what to do next. */
const props = defineProps<{ personId: string }>()
const { t } = useI18n()
const ownSentences = useOwnSentences()
const now = useTimeOfDay(60_000)
const answer = useAnswer(() => skillAsked(props.personId))

const says = computed(() => {
  const [family] = answer.value.value?.families ?? []
  return family === undefined ? [] : ownSentences(family, now.value.getTime(), answer.value.value?.takeHome)
})
</script>

<template>
  <section v-if="says.length > 0 || answer.value.value?.takeHome" class="own" aria-labelledby="own-next">
    <h2 id="own-next">{{ t('skill.title') }}</h2>
    <TakeHomeNote v-if="answer.value.value?.takeHome" :take-home="answer.value.value.takeHome" />
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
