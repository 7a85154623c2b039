<script setup lang="ts">
import type { Prepared } from '@calm-apron/contract'
import { checkGroup, warmUpLeft } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import CautionNote from '../../../shot/cautions/CautionNote.vue'
import { useTimeOfDay } from '../../../kit/useTimeOfDay.ts'

/** A machine: how long until it is ready and how one can tell, and whether each group's basket, selector and buttons agree. */
const props = defineProps<{ machine: Prepared<'machine'>; baskets: readonly Prepared<'basket'>[] }>()
const emit = defineEmits<{ switched: [content: Prepared<'machine'>['content']] }>()
const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const format = useFormat()
const now = useTimeOfDay(15_000)

const content = computed(() => props.machine.content)
const left = computed(() => {
  const { switchedOnAt, warmUpMinutes } = content.value
  return warmUpLeft(
    switchedOnAt === null ? null : Date.parse(switchedOnAt),
    now.value.getTime(),
    warmUpMinutes,
  )
})
const warmth = computed(() => {
  const { switchedOnAt, warmUpMinutes } = content.value
  if (left.value === null || switchedOnAt === null) return t('machine.off', { minutes: warmUpMinutes })
  const since = format.timeOf(switchedOnAt, academy.timeZone)
  return left.value > 0
    ? t('machine.warming', { left: left.value, since }, left.value)
    : t('machine.warm', { since })
})
const about = computed(() => {
  const { kind, temperature, preinfusion, startBy, stopBy, hasReleaseValve, isSelfFilling, gauge } =
    content.value
  return [
    t(`prepared.option.machine-kind.${kind}`),
    t(`prepared.option.temperature.${temperature}`),
    ...(gauge === null
      ? [t('machine.noGauge')]
      : [t('machine.gauge', { from: gauge.fromBar, to: gauge.toBar })]),
    t(`machine.preinfusion.${preinfusion}`),
    t(`machine.start.${startBy}`),
    t(`machine.stop.${stopBy}`),
    t(hasReleaseValve ? 'machine.valve' : 'machine.noValve'),
    ...(isSelfFilling ? [t('machine.selfFilling')] : []),
  ].join(' · ')
})
const signs = computed(() => [
  t('machine.sign.lamp'),
  t('machine.sign.touch'),
  ...(content.value.gauge === null ? [] : [t('machine.sign.gauge')]),
  ...(content.value.temperature === 'controlled' ? [] : [t('machine.sign.steam')]),
])
const groups = computed(() =>
  content.value.groups.map((group) => {
    const basket = props.baskets.find(({ preparedId }) => preparedId === group.basketId)?.content ?? null
    const found = checkGroup({ ...group, basketSize: basket?.size ?? null })
    return {
      name: group.name,
      basket: basket?.name ?? t('machine.noBasket'),
      size: basket?.size ?? null,
      selector: t(`prepared.option.selector.${group.selector}`),
      buttons: group.buttons
        .map(({ name, suits }) => t('machine.button', { name, size: t(`prepared.option.suits.${suits}`) }))
        .join(', '),
      says: found.map((each) =>
        t(`groupCheck.${each.code}`, {
          basket: 'basket' in each ? t(`prepared.option.suits.${each.basket}`) : '',
          selector: 'selector' in each ? t(`prepared.option.selector.${each.selector}`) : '',
        }),
      ),
    }
  }),
)
const switchTo = (switchedOnAt: string | null) => emit('switched', { ...content.value, switchedOnAt })
</script>

<template>
  <div class="machine">
    <p class="warmth" :class="{ warm: left === 0 }">
      <strong>{{ warmth }}</strong>
      <template v-if="door.may('prepare')">
        <PressButton v-if="left === null" @click="switchTo(new Date().toISOString())">{{
          t('machine.switchOn')
        }}</PressButton>
        <PressButton v-else @click="switchTo(null)">{{ t('machine.switchOff') }}</PressButton>
      </template>
    </p>
    <ul v-if="left !== null" class="signs">
      <li v-for="sign in signs" :key="sign">{{ sign }}</li>
    </ul>
    <p class="soft about">{{ about }}</p>
    <ul class="groups">
      <li v-for="group in groups" :key="group.name" class="group">
        <!-- Our own picture of what hangs together: the basket's size, where the selector stands. -->
        <svg viewBox="0 0 64 40" aria-hidden="true">
          <path d="M6 6h52v8H6z" class="head" />
          <path v-if="group.size === 'single'" d="M22 18h20l-5 16H27z" class="basket" />
          <path v-else-if="group.size" d="M14 18h36l-3 16H17z" class="basket" />
          <path v-if="group.size === 'triple'" d="M14 24h36" class="basket" />
          <path v-if="!group.size" d="M14 18h36l-3 16H17z" class="none" />
        </svg>
        <div>
          <strong>{{ group.name }}</strong>
          {{ t('machine.holds', { basket: group.basket }) }}
          <span v-if="group.buttons" class="soft">{{
            t('machine.buttons', { buttons: group.buttons })
          }}</span>
          <p v-for="says in group.says" :key="says" class="odd">{{ says }}</p>
          <p v-if="group.says.length === 0" class="fine">{{ t('groupCheck.fine') }}</p>
        </div>
      </li>
    </ul>
    <CautionNote act="machine" />
  </div>
</template>

<style scoped>
.machine {
  display: grid;
  gap: 8px;
}
p {
  margin: 0;
}
.warmth {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
  color: var(--ochre);
}
.warmth.warm {
  color: var(--pine);
}
.signs {
  padding-left: 20px;
  list-style: disc;
}
.groups {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 12px 24px;
}
.group {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  gap: 12px;
}
svg {
  width: 64px;
}
.head {
  fill: var(--edge);
}
.basket {
  fill: var(--pine-soft);
  stroke: var(--pine);
  stroke-width: 2;
}
.none {
  fill: none;
  stroke: var(--edge);
  stroke-dasharray: 3 3;
}
.odd {
  color: var(--plum);
}
.fine {
  color: var(--pine);
}
</style>
