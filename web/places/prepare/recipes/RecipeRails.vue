<script setup lang="ts">
import type { RecipeContent } from '@calm-apron/contract'
import { READING_KINDS, type ReadingKind } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import TermNote from '../../../kit/glossary/TermNote.vue'
import { termsOf } from '../../../kit/glossary/terms.ts'
import RailLine from '../../../shot/rails/RailLine.vue'
import { useFormat } from '../../../kit/units/useFormat.ts'
import WindowLine from './WindowLine.vue'

/** A recipe as the five rails its shots will be judged on, each with its target and tolerance. */
const props = defineProps<{ recipe: Pick<RecipeContent, 'targets' | 'method'> }>()
const { t } = useI18n()
const format = useFormat()

const targets = computed(() => props.recipe.targets)
const says = computed<Record<ReadingKind, string>>(() => {
  const { doseG, doseToleranceG, yieldG, yieldToleranceG, tasteTolerance, sweetMin, school } = targets.value
  const tastes = targets.value.taste ?? null
  const { method } = props.recipe
  return {
    dose: t('recipeShown.plusMinus', {
      target: format.mass(doseG),
      tolerance: format.massApart(doseToleranceG),
    }),
    tamp:
      school.tampForce === null
        ? t(`recipeShown.tamp.${method.tampBy}`)
        : t('recipeShown.plusMinus', {
            target: format.quantity('force', school.tampForce.targetN),
            tolerance: format.difference('force', school.tampForce.toleranceN),
          }),
    yield:
      school.volume === null
        ? t('recipeShown.plusMinus', {
            target: format.mass(yieldG),
            tolerance: format.massApart(yieldToleranceG),
          })
        : t('recipeShown.volume', {
            target: format.quantity('volume', school.volume.targetMl),
            tolerance: format.difference('volume', school.volume.toleranceMl),
            grams: format.mass(school.volume.targetMl * school.volume.gPerMl),
            spread: format.massApart(school.volume.targetMl * school.volume.gPerMlSd),
          }),
    time: '',
    taste:
      tastes === null
        ? t('recipeShown.taste', { tolerance: tasteTolerance, sweet: sweetMin })
        : t('rail.tasteOfItsOwn', { ...tastes, tolerance: tasteTolerance }),
  }
})
const rails = computed(() =>
  READING_KINDS.map((kind) => {
    const isJudged = !targets.value.school.onlyRecorded.includes(kind)
    const hasTarget = kind !== 'tamp' || targets.value.school.tampForce !== null
    return {
      kind,
      isJudged,
      says: says.value[kind],
      terms: termsOf(kind),
      model: { kind, isJudged, hasTarget: hasTarget && isJudged, mark: null, isUneven: false },
    }
  }),
)
</script>

<template>
  <dl class="rails">
    <div v-for="rail in rails" :key="rail.kind" class="rail">
      <dt>
        {{ t(`rail.${rail.kind}`) }}
        <TermNote v-for="term in rail.terms" :key="term" :term="term" />
      </dt>
      <dd>
        <WindowLine v-if="rail.kind === 'time'" :targets="targets" />
        <template v-else>
          <RailLine :rail="rail.model" />
          <span>{{ rail.says }}</span>
        </template>
        <span v-if="!rail.isJudged" class="soft">{{ t('recipeShown.onlyRecorded') }}</span>
      </dd>
    </div>
  </dl>
</template>

<style scoped>
.rails {
  display: grid;
  gap: 8px;
  margin: 0;
}
.rail {
  display: grid;
  grid-template-columns: 7em minmax(0, 1fr);
  align-items: center;
  gap: 4px 16px;
}
dt {
  font-weight: 650;
}
dd {
  margin: 0;
  display: grid;
  grid-template-columns: minmax(120px, 2fr) minmax(0, 3fr);
  gap: 0 16px;
  align-items: center;
}
dd > :only-child {
  grid-column: 1 / -1;
}
@media (max-width: 600px) {
  .rail,
  dd {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
