<script setup lang="ts">
import type { SlipSide } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import CautionNote from '../../shot/cautions/CautionNote.vue'
import { useShotReading } from '../../shot/reading/useShotReading.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import CallForm from '../../shot/tasting/CallForm.vue'
import SlipForm from '../../shot/tasting/SlipForm.vue'
import { type Said, type Taste, useTasting } from '../../shot/tasting/useTasting.ts'
import { useTastingWords } from '../../shot/tasting/useTastingWords.ts'

/**
 * Between the pull and the reading: the call by eye, both tasting slips, each hidden from the other, and the final
 * call. On one tablet it goes from hand to hand; whoever is signed in as the trainee sees only their own part.
 */
const props = defineProps<{ shotId: string }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const door = useDoor()
const { shot, state } = useShotReading(() => props.shotId)

/** To whoever pulled the shot itself is not told before their call. */
const pulledBy = computed(() => shot.value?.personId ?? door.personId)
const name = computed(() => academy.personName(pulledBy.value))
const { view, isLooked, isDecided, makeCall, skipCall, fillSlip } = useTasting(
  () => props.shotId,
  () => true,
)
const isFirstSkipped = ref(false)
/** Whose slip lies open; null while the tablet goes from hand to hand. */
const filling = ref<SlipSide | null>(null)

type Stage = 'looking' | 'first' | 'slips' | 'slip' | 'wait' | 'final'
const stage = computed<Stage>(() => {
  if (!isLooked.value || state.value === 'looking') return 'looking'
  const { called, asks, isOpen } = view.value
  if (asks.first && !called.first && !isFirstSkipped.value && !(asks.notes && isOpen)) return 'first'
  if (filling.value !== null) return 'slip'
  if (isOpen || !asks.notes) return 'final'
  if (!door.isStaff) return view.value.sides.trainee === 'waiting' ? 'slip' : 'wait'
  return 'slips'
})
/** Whoever pulled a shot of a set tastes for their call; assessors taste its cup by its digits. */
const isInSet = computed(() => shot.value?.assessmentId !== undefined)
const sides = computed<readonly SlipSide[]>(() => (isInSet.value ? ['trainee'] : ['trainee', 'trainer']))
const side = computed<SlipSide>(() => filling.value ?? 'trainee')
/** One who pulled their own shot has nobody on the other side. */
const isOwnShot = computed(() => pulledBy.value === door.personId && door.isStaff)

/** Beside the tasting, so that it can be held against them. */
const says = useTastingWords(() => ({
  bagId: shot.value?.bagId ?? null,
  recipeWords: shot.value?.recipe.tastingWords ?? null,
}))

watch(
  isDecided,
  (decided) => {
    if (decided) void router.replace({ name: 'reading', params: { shotId: props.shotId } })
  },
  { immediate: true },
)

const sayFirst = (said: Said) => makeCall('first', pulledBy.value, said)
const sayFinal = (said: Said) => makeCall('final', pulledBy.value, said)
async function keepSlip(taste: Taste | null, of: SlipSide): Promise<void> {
  const by = of === 'trainee' && taste !== null ? pulledBy.value : door.personId
  await fillSlip(of, by, taste)
  filling.value = null
}
</script>

<template>
  <div v-if="state === 'not-there'">
    <EmptyPlace :says="t('reading.notThere')" :action="t('app.toToday')" :to="{ name: 'today' }" />
  </div>
  <div v-else-if="stage !== 'looking'" class="tasting">
    <template v-if="stage === 'first'">
      <h1 tabindex="-1">{{ t('tasting.first', { person: name }) }}</h1>
      <p>{{ t('tasting.firstHint') }}</p>
      <CallForm key="first" :is-tasted="false" :action="t('tasting.keepFirst')" @said="sayFirst" />
      <PressButton kind="text" @click="isFirstSkipped = true">{{ t('tasting.skipFirst') }}</PressButton>
    </template>
    <template v-else-if="stage === 'slip'">
      <h1 tabindex="-1">
        {{ side === 'trainee' ? t('tasting.slipOf', { person: name }) : t('tasting.ownSlip') }}
      </h1>
      <SlipForm
        :key="side"
        :person-id="side === 'trainee' ? pulledBy : door.personId"
        :says="says"
        @filled="keepSlip($event, side)"
      />
      <CautionNote act="taste" />
    </template>
    <template v-else-if="stage === 'slips'">
      <h1 tabindex="-1">{{ isInSet ? t('tasting.slipOf', { person: name }) : t('tasting.slips') }}</h1>
      <p>{{ t(isInSet ? 'tasting.inSetHint' : 'tasting.slipsHint') }}</p>
      <ul class="sides">
        <li v-for="each in sides" :key="each" class="side">
          <strong>{{ each === 'trainee' ? name : t('tasting.trainerSide') }}</strong>
          <span>{{ t(`tasting.side.${view.sides[each]}`) }}</span>
          <template v-if="view.sides[each] === 'waiting'">
            <PressButton
              v-if="each === 'trainee' || !isOwnShot"
              kind="primary"
              is-large
              @click="filling = each"
            >
              {{ each === 'trainee' ? t('tasting.handTo', { person: name }) : t('tasting.fillOwn') }}
            </PressButton>
            <PressButton is-large @click="keepSlip(null, each)">{{ t('tasting.skip') }}</PressButton>
          </template>
        </li>
      </ul>
    </template>
    <template v-else-if="stage === 'wait'">
      <h1 tabindex="-1">{{ t('tasting.wait') }}</h1>
      <p role="status">{{ t('tasting.waitHint') }}</p>
    </template>
    <template v-else>
      <h1 tabindex="-1">{{ t('tasting.final', { person: name }) }}</h1>
      <p>{{ t(view.asks.isTasted ? 'tasting.finalHint' : 'tasting.finalByEye') }}</p>
      <CallForm
        key="final"
        :is-tasted="view.asks.isTasted"
        :action="t('tasting.keepFinal')"
        @said="sayFinal"
      />
      <PressButton v-if="door.isStaff" kind="text" @click="skipCall">{{
        t('tasting.skipFinal')
      }}</PressButton>
    </template>
  </div>
  <EmptyPlace v-else :says="t('app.loading')" />
</template>

<style scoped>
.tasting {
  display: grid;
  gap: 16px;
  max-width: 720px;
  margin: 0 auto;
  padding: 24px 16px;
  font-size: 1.125rem;
}
.tasting > p {
  margin: 0;
}
.sides {
  display: grid;
  gap: 16px;
}
.side {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  padding: 16px;
  border-left: 6px solid var(--edge);
  background: var(--raised);
}
.side :deep(.press-button) {
  min-height: 60px;
  white-space: normal;
}
.tasting > :deep(.press-button.text) {
  min-height: 48px;
  justify-self: start;
}
</style>
