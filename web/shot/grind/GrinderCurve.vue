<script setup lang="ts">
import { grindFit, settingShown } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import SelectField from '../../kit/forms/SelectField.vue'
import DialInChart from './DialInChart.vue'
import { dialInGrinder, dialInWish } from './dialInWish.ts'
import { useGrindHistory } from './useGrindHistory.ts'

/** How time goes with the setting on a grinder, for the coffee pulled last and the newest recipe, with its band. */
const props = defineProps<{ grinderId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

const grinder = computed(() => academy.grinder(props.grinderId))
const recipes = computed(() => academy.today?.recipes ?? [])
const choices = computed(() =>
  recipes.value.map(({ recipeRevisionId, name }) => ({ value: recipeRevisionId, label: name })),
)
const chosen = ref('')
const recipe = computed(
  () => recipes.value.find((each) => each.recipeRevisionId === chosen.value) ?? recipes.value[0] ?? null,
)
watch(recipes, ([first]) => (chosen.value ||= first?.recipeRevisionId ?? ''), { immediate: true })
const history = useGrindHistory(() =>
  recipe.value === null
    ? null
    : { grinderId: props.grinderId, recipeRevisionId: recipe.value.recipeRevisionId },
)
const coffee = computed(() => {
  const last = history.seen.value?.at(-1)?.coffeeId
  return academy.today?.coffees.find(({ coffeeId }) => coffeeId === last) ?? null
})
/** Beyond these a time is a choke or a gush, and no number. */
const SHOWN_S = { min: 8, max: 90 }
/** Shots of it, as today’s: they are what is drawn. */
const ofCoffee = computed(
  () => history.seen.value?.filter(({ coffeeId }) => coffeeId === coffee.value?.coffeeId) ?? [],
)
const fit = computed(() => {
  if (grinder.value === null || recipe.value === null || coffee.value === null) return null
  const { minSetting, maxSetting, settingStep } = grinder.value
  const settings = ofCoffee.value.map(({ setting }) => setting)
  const from = Math.max(minSetting, Math.min(...settings) - 4 * settingStep)
  const to = Math.min(maxSetting, Math.max(...settings) + 4 * settingStep)
  const known = {
    history: history.seen.value ?? [],
    session: [],
    recipe: recipe.value.targets,
    grinder: dialInGrinder(grinder.value),
    wish: dialInWish({ recipe: recipe.value, coffee: coffee.value, bagId: null, basket: null }),
  }
  const { line } = grindFit(known, [from, to])
  return { line: line.filter(({ s }) => s >= SHOWN_S.min && s <= SHOWN_S.max), shots: drawn.value }
})
const drawn = computed(() =>
  ofCoffee.value.flatMap(({ setting, timeS, bound }) =>
    timeS === null ? [] : [{ setting, s: timeS, bound }],
  ),
)
/** The nearest setting that the scale has. */
function onMark(setting: number): number {
  const { minSetting = 0, settingStep = 1 } = grinder.value ?? {}
  return minSetting + Math.round((setting - minSetting) / settingStep) * settingStep
}
/** Where the line lies nearest to the middle of the window. */
const best = computed(() => {
  const { timeMinS = 0, timeMaxS = 0 } = recipe.value?.targets ?? {}
  const middleLn = (Math.log(timeMinS) + Math.log(timeMaxS)) / 2
  const miss = (s: number) => Math.abs(Math.log(s) - middleLn)
  const nearest = fit.value?.line.toSorted((a, b) => miss(a.s) - miss(b.s))[0]
  return nearest === undefined ? null : onMark(nearest.setting)
})
const says = computed(() => {
  if (fit.value === null || best.value === null || grinder.value === null) return ''
  const { line } = fit.value
  const [first, last] = [line[0], line.at(-1)]
  if (first === undefined || last === undefined) return ''
  const shown = (setting: number) => settingShown(setting, grinder.value?.lettersPerNumber ?? 0)
  return t('dialin.curve', {
    coffee: coffee.value?.name ?? '',
    from: shown(onMark(first.setting)),
    fromS: first.s.toFixed(0),
    to: shown(onMark(last.setting)),
    toS: last.s.toFixed(0),
    best: shown(best.value),
    recipe: recipe.value?.name ?? '',
    dose: format.mass(recipe.value?.targets.doseG ?? 0),
  })
})
</script>

<template>
  <section v-if="fit && recipe && best !== null && drawn.length > 1" aria-labelledby="curve-of-grinder">
    <h3 id="curve-of-grinder">{{ t('dialin.curveTitle') }}</h3>
    <SelectField v-model="chosen" class="by" :label="t('dialin.curveBy')" :options="choices" />
    <p>{{ says }}</p>
    <DialInChart :fit="fit" :recipe="recipe.targets" :next="best" />
  </section>
</template>

<style scoped>
.by {
  max-width: 360px;
  margin-bottom: 8px;
}
</style>
