<script setup lang="ts">
import { useI18n } from 'vue-i18n'

/** Which basket is which, told by its back, and which one this coffee wants. */
defineProps<{ coffees: readonly { name: string; isStale: boolean }[] }>()
const { t } = useI18n()
const kinds = ['single-wall', 'pressurised'] as const
const HOLES = Array.from({ length: 5 }, (_, row) =>
  Array.from({ length: 5 }, (__, column) => [row, column] as const),
)
  .flat()
  .filter(([row, column]) => Math.hypot(row - 2, column - 2) < 2.5)
</script>

<template>
  <details class="help">
    <summary>{{ t('basketHelp.title') }}</summary>
    <div class="two">
      <div v-for="kind in kinds" :key="kind">
        <svg viewBox="0 0 120 120" aria-hidden="true">
          <circle cx="60" cy="60" r="54" class="back" />
          <template v-if="kind === 'single-wall'">
            <circle
              v-for="[row, column] in HOLES"
              :key="`${row} ${column}`"
              :cx="20 + column * 20"
              :cy="20 + row * 20"
              r="3"
              class="hole"
            />
          </template>
          <circle v-else cx="60" cy="60" r="3" class="hole" />
        </svg>
        <h4>{{ t(`prepared.option.wall.${kind}`) }}</h4>
        <p>{{ t(`basketHelp.${kind}`) }}</p>
      </div>
    </div>
    <p>{{ t('basketHelp.sizes') }}</p>
    <p v-for="coffee in coffees" :key="coffee.name">
      {{ t(coffee.isStale ? 'basketHelp.stale' : 'basketHelp.fresh', { coffee: coffee.name }) }}
    </p>
  </details>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 24px;
}
.two > div {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 0 16px;
}
svg {
  grid-row: 1 / 3;
  width: 96px;
}
.back {
  fill: var(--raised);
  stroke: var(--edge);
  stroke-width: 3;
}
.hole {
  fill: var(--ink);
}
h4 {
  margin: 0;
}
</style>
