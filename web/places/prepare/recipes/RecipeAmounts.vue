<script setup lang="ts">
import { AMOUNTS, type Amount, type Amounts, DOSE_TOLERANCES_G, completeAmounts } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import { useFormat } from '../../../kit/units/useFormat.ts'
import NumberField from '../fields/NumberField.vue'

/** Dose, yield and ratio: give two, the third follows while one types. */
const props = defineProps<{ targets: Record<string, unknown>; issues: Record<string, string> }>()
const emit = defineEmits<{ change: [targets: Record<string, unknown>] }>()
const ratio = defineModel<number | null>('ratio', { required: true })
const { t } = useI18n()
const format = useFormat()
/** Newest first; the dose and what comes out of it are what a recipe begins with. */
const given = ref<Amount[]>(['yieldG', 'doseG'])

const numberOf = (value: unknown) => (typeof value === 'number' ? value : null)
const amounts = computed<Amounts>(() => ({
  doseG: numberOf(props.targets['doseG']),
  yieldG: numberOf(props.targets['yieldG']),
  ratio: ratio.value,
}))
const follows = computed(() => AMOUNTS.find((amount) => !given.value.includes(amount)))

function give(amount: Amount, value: number | null): void {
  given.value = [amount, ...given.value.filter((each) => each !== amount)].slice(0, 2)
  const completed = completeAmounts({ ...amounts.value, [amount]: value }, given.value)
  const { doseG, yieldG } = completed
  ratio.value = completed.ratio === null ? null : Math.round(completed.ratio * 1000) / 1000
  emit('change', { ...props.targets, doseG: tenth(doseG), yieldG: tenth(yieldG) })
}

/** What follows is rounded as a scale shows it; what was typed stays as it was. */
function tenth(grams: number | null): number | null {
  return grams === null ? null : Math.round(grams * 100) / 100
}

const schools = computed(() =>
  Object.entries(DOSE_TOLERANCES_G).map(([key, g]) => ({
    value: String(g),
    label:
      key === 'exact' || key === 'about' ? t(`recipeShown.tolerance.${key}`) : `± ${format.massApart(g)}`,
  })),
)
const tolerance = computed({
  get: () => String(numberOf(props.targets['doseToleranceG']) ?? ''),
  set: (said: string) => emit('change', { ...props.targets, doseToleranceG: Number(said) }),
})
</script>

<template>
  <fieldset class="amounts">
    <legend>{{ t('recipeShown.amountsTitle') }}</legend>
    <p class="soft">{{ t('recipeShown.giveTwo') }}</p>
    <div class="three">
      <NumberField
        v-for="amount in AMOUNTS"
        :key="amount"
        :name="amount"
        :label="
          follows === amount
            ? t('recipeShown.follows', { amount: t(`prepared.label.${amount}`) })
            : t(`prepared.label.${amount}`)
        "
        :issue="issues[`targets.${amount}`]"
        :model-value="amounts[amount]"
        @update:model-value="give(amount, $event)"
      />
    </div>
    <ChoiceRow v-model="tolerance" :label="t('prepared.label.doseToleranceG')" :options="schools" />
    <NumberField
      name="doseToleranceG"
      class="own"
      :label="t('recipeShown.tolerance.own')"
      :issue="issues['targets.doseToleranceG']"
      :model-value="numberOf(targets['doseToleranceG'])"
      @update:model-value="emit('change', { ...targets, doseToleranceG: $event })"
    />
  </fieldset>
</template>

<style scoped>
.amounts {
  display: grid;
  gap: 12px;
}
legend {
  float: left;
  width: 100%;
  font-size: 1.125rem;
  font-weight: 650;
}
p {
  margin: 0;
}
.own {
  max-width: 200px;
}
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 200px));
  gap: 24px;
}
@media (max-width: 600px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
}
</style>
