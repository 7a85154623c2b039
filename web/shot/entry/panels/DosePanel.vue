<script setup lang="ts">
import type { RecipeRevision, TodayBasket, TodayGrinder } from '@calm-apron/contract'
import {
  DOSE_METHODS,
  DOSE_SPREAD_G,
  THRESHOLDS,
  type DoseFact,
  type DoseMethod,
  type Vessel,
  doseTrimG,
  isLookedAt,
  toBase,
} from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { BarDevice } from '../../../data/devices/barDevice.ts'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { type ReadWeighing, numberTyped } from '../../draft/readEntry.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'
import FactFields from '../../facts/FactFields.vue'
import DoseSeenFields from '../../dose/DoseSeenFields.vue'
import { doseMethodIn, isDoseWeighed } from '../../dose/doseMethod.ts'
import SignLooks from '../../facts/SignLooks.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import { useTones } from '../../../kit/tones.ts'
import { useLiveWeight, withFunnels } from '../useLiveWeight.ts'
import WeighFields from '../WeighFields.vue'

const props = defineProps<{
  read: ReadWeighing
  seen: DoseFact | null
  recipe: Pick<RecipeRevision, 'targets' | 'method'> | null
  vessels: readonly Vessel[]
  basket: TodayBasket | null
  grinder: TodayGrinder | null
  device: BarDevice | null
  issues: FactIssues
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()
const tones = useTones()

/** Less than this is shown as 0.0. */
const NOTHING_SHOWN_G = 0.05
const targets = computed(() => props.recipe?.targets ?? null)
const holdsGrounds = computed(() => props.vessels.filter((vessel) => vessel.kind !== 'cup'))
const live = useLiveWeight(
  props.device,
  () => withFunnels(holdsGrounds.value),
  () => ({ targetG: targets.value?.doseG ?? 0, vesselId: draft.value.dose.vesselId }),
)
const { isHere: isLive, isSteady, emptyVessel, content } = live
const shownG = computed(() => content.value?.netG ?? null)

const isHelped = computed(() => draft.value.noted.isHelped !== false)

function trimWords(netG: number): string {
  if (targets.value === null || !isHelped.value) return ''
  const trimG = doseTrimG(netG, targets.value.doseG)
  if (Math.abs(trimG) < NOTHING_SHOWN_G) return t('trim.on')
  const isLittle = Math.abs(trimG) <= targets.value.doseToleranceG
  return t(`trim.${trimG < 0 ? 'out' : 'add'}${isLittle ? 'Little' : ''}`, {
    amount: format.massApart(trimG),
  })
}
const trim = computed(() => (props.read.netG === null ? '' : trimWords(props.read.netG)))
const isInBand = computed(
  () =>
    targets.value !== null &&
    isHelped.value &&
    shownG.value !== null &&
    Math.abs(shownG.value - targets.value.doseG) <= targets.value.doseToleranceG,
)
watch(
  () => isInBand.value && isSteady.value,
  (isNow) => isNow && tones.play('in-band'),
)

/** Over its nominal a bed touches the screen. */
const headspace = computed(() => {
  const netG = props.read.netG
  if (netG === null || props.basket === null) return ''
  const overG = netG - props.basket.nominalG
  const isMeant = overG > 0 && props.recipe?.method.mayExceedBasket === true
  if (Math.abs(overG) <= THRESHOLDS.basketToleranceG || isMeant) return ''
  return t(overG > 0 ? 'dose.noHeadspace' : 'dose.soupy', {
    basket: props.basket.name,
    amount: format.massApart(overG),
  })
})

const method = computed({
  get: () => doseMethodIn(draft.value, props.recipe),
  set: (chosen: DoseMethod) => (draft.value.noted.doseMethod = chosen),
})
/** Where nobody weighs, the dose is held against a mark or counted; a weight that was typed stays one. */
const seenBy = computed(() =>
  method.value === 'scale' || isDoseWeighed(draft.value) || isLive.value ? null : method.value,
)
const byRecipe = computed(() => props.recipe?.method.doseBy ?? 'scale')
const methods = computed(() =>
  DOSE_METHODS.map((value) => ({ value, label: t(`fact.doseMethod.is.${value}`) })),
)
/** Whoever weighs beans in weighs in a little more, for what spills and stays. */
const weighIn = computed(() => {
  const moreG = props.grinder?.overWeighG ?? null
  if (moreG === null || targets.value === null || !isHelped.value) return ''
  return t('dose.weighIn', {
    amount: format.mass(targets.value.doseG + moreG),
    more: format.massApart(moreG),
  })
})
const retention = computed(() => {
  const beans = numberTyped(draft.value.texts.beansInG)
  if (beans === null || props.read.netG === null) return ''
  return t('dose.retention', {
    amount: format.massApart(toBase(draft.value.units.mass, beans) - props.read.netG),
  })
})
</script>

<template>
  <div class="dose">
    <div v-if="isLive" class="live">
      <p class="figure now" :class="{ band: isInBand }">
        {{ shownG === null ? '–' : format.mass(shownG) }}
      </p>
      <p role="status">
        <template v-if="emptyVessel">{{ t('dose.empty', { vessel: emptyVessel.name }) }}</template>
        <template v-else-if="shownG !== null">
          <template v-if="content?.vessel">{{ t('dose.isIn', { vessel: content.vessel.name }) }} </template>
          {{ trimWords(shownG) }}
        </template>
        <template v-else>{{ t('dose.unknownVessel') }}</template>
      </p>
      <div class="actions">
        <PressButton
          kind="primary"
          :disabled="!isSteady || shownG === null"
          @click="live.take(draft.dose, draft.units.mass)"
        >
          {{ t('dose.take', { amount: shownG === null ? '' : format.mass(shownG) }) }}
        </PressButton>
        <PressButton @click="device?.order({ kind: 'tare' })">{{ t('dose.tare') }}</PressButton>
      </div>
    </div>
    <DoseSeenFields
      v-if="seenBy"
      v-model="draft"
      :method="seenBy"
      :recipe="targets"
      :seen="seen"
      :issue="issues('doseCount')"
    />
    <component :is="isLive ? 'details' : 'div'" v-else>
      <summary v-if="isLive">{{ t('dose.byHand') }}</summary>
      <WeighFields
        v-model="draft.dose"
        :read="read"
        :unit="draft.units.mass"
        :vessels="holdsGrounds"
        :dose-target-g="targets?.doseG ?? 0"
      />
    </component>
    <p v-if="isLive && read.netG !== null" class="kept">
      {{ t('dose.kept', { amount: format.mass(read.netG) }) }}
    </p>
    <PressButton v-if="seenBy" kind="text" @click="method = 'scale'">{{
      t('doseSeen.weighInstead')
    }}</PressButton>
    <PressButton
      v-else-if="byRecipe !== 'scale' && method === 'scale' && read.netG === null && !isLive"
      kind="text"
      @click="method = byRecipe"
      >{{ t('doseSeen.asTheRecipe') }}</PressButton
    >
    <p v-if="trim" class="trim" role="status">{{ trim }}</p>
    <p v-if="headspace" class="warn" role="status">{{ headspace }}</p>
    <FactFields v-model="draft" step="dose" place="first" :issues="issues" />
    <details v-if="isLookedAt(draft.focus, 'bed')">
      <summary>{{ t('dose.more') }}</summary>
      <div class="more">
        <ChoiceRow v-model="method" :label="t('fact.doseMethod.label')" :options="methods" />
        <p v-if="method !== 'scale' && read.netG !== null" class="soft">
          {{ t('dose.spread', { amount: format.massApart(DOSE_SPREAD_G[method]) }) }}
        </p>
        <FactFields v-model="draft" step="dose" place="more" :issues="issues" />
        <SignLooks v-model="draft" step="dose" :is-measured="read.netG !== null" />
        <p v-if="weighIn" class="soft">{{ weighIn }}</p>
        <p v-if="draft.noted.spilt" class="soft">{{ t('dose.spiltSays') }}</p>
        <p v-if="draft.noted.staticCling" class="soft">{{ t('dose.staticSays') }}</p>
        <p v-if="retention" class="soft">{{ retention }}</p>
      </div>
    </details>
  </div>
</template>

<style scoped>
.dose,
.more {
  display: grid;
  gap: 12px;
}
.live {
  padding: 12px 16px;
  border-left: 6px solid var(--edge);
  background: var(--raised);
}
.live p {
  margin: 0 0 8px;
}
.now {
  font-size: 4rem;
  line-height: 1;
  font-weight: 600;
}
.now.band {
  color: var(--pine);
}
.actions :deep(.press-button) {
  min-height: 56px;
  flex: 1;
}
.kept {
  margin: 0;
  font-size: 1.2em;
  font-weight: 700;
}
.trim {
  margin: 0;
  font-size: 1.1em;
}
.warn {
  margin: 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
</style>
