<script setup lang="ts">
import { STANDINGS, type SkillEntry } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import RailMarkShape from '../../shot/rails/RailMarkShape.vue'

/** How the newest shots stood, oldest first; under those with the tool’s help stands a line. */
const props = defineProps<{
  run: readonly Pick<SkillEntry, 'standing' | 'deviation' | 'isHelped'>[]
  /** Of what it is the run. */
  name: string
}>()
const { t } = useI18n()

const SHOWN = 12
const shown = computed(() => props.run.slice(-SHOWN))
const says = computed(() =>
  t('skill.run', {
    name: props.name,
    count: shown.value.length,
    standings: STANDINGS.map((standing) => ({
      standing,
      count: shown.value.filter((each) => each.standing === standing).length,
    }))
      .filter(({ count }) => count > 0)
      .map(({ standing, count }) => t('skill.runPart', { count, standing: t(`standing.${standing}`) }))
      .join(', '),
  }),
)
</script>

<template>
  <span class="run" role="img" :aria-label="says">
    <span v-for="(entry, at) in shown" :key="at" class="dot" :class="{ helped: entry.isHelped }">
      <RailMarkShape :standing="entry.standing" :side="(entry.deviation ?? 0) < 0 ? 'left' : 'right'" />
    </span>
  </span>
</template>

<style scoped>
.run {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 2px;
}
.dot {
  padding-bottom: 3px;
  border-bottom: 3px solid transparent;
}
.dot.helped {
  border-bottom-color: var(--cornflower);
}
</style>
