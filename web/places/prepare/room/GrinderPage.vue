<script setup lang="ts">
import { type PreparedRecord, asKind, teaches } from '@calm-apron/contract'
import { retentionG, settingShown } from '@calm-apron/core'
import { computed, defineAsyncComponent } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { workedAsked } from '../../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../../data/queries/useAnswer.ts'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { withWords } from '../../../words/index.ts'
import ThingCard from '../ThingCard.vue'
import { useFound } from '../useFound.ts'
import CautionNote from '../../../shot/cautions/CautionNote.vue'
import GrinderScale from '../../../shot/equipment/GrinderScale.vue'

const GrinderCurve = defineAsyncComponent(
  withWords('dialIn', () => import('../../../shot/grind/GrinderCurve.vue')),
)
const DoserChart = defineAsyncComponent(() => import('./DoserChart.vue'))

const props = defineProps<{ preparedId: string }>()
const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const format = useFormat()
const { found, state, load } = useFound(() => props.preparedId)
const { value: told, load: loadWorked } = useAnswer(() => workedAsked(props.preparedId))
const worked = computed(() => told.value?.settings ?? [])
/** A dose where no recipe says one. */
const USUAL_DOSE_G = 18

const grinder = computed(() => (found.value === null ? null : asKind(found.value, 'grinder')))
const isLocked = computed(() => {
  const lock = grinder.value?.content.lock ?? null
  return lock !== null && lock.personId !== door.personId && door.part !== 'head'
})
const doseG = computed(() => academy.today?.recipes[0]?.targets.doseG ?? USUAL_DOSE_G)
const choices = computed(() => ({
  personId: (academy.today?.people ?? [])
    .filter(({ role, isActive }) => teaches(role) && isActive)
    .map(({ personId, displayName }) => ({ value: personId, label: displayName })),
}))

const contentOf = (record: PreparedRecord) => asKind(record, 'grinder')?.content ?? null
const facts = (record: PreparedRecord): string[] => {
  const content = contentOf(record)
  if (content === null) return []
  const { innerBurr, weighIns, purgeG } = content
  const weighed = weighIns.map(({ beansInG, groundsOutG }) => retentionG(beansInG, groundsOutG))
  // Weighed for it, and as shots showed it.
  const kept = [...weighed, ...(told.value?.retainedG ?? [])]
  const mean = kept.reduce((sum, each) => sum + each, 0) / kept.length
  return [
    content.isStepless
      ? t('grinder.stepless')
      : t('grinder.steps', { step: format.plain(content.settingStep) }),
    t(`prepared.option.dosesBy.${content.dosesBy}`),
    t('grinder.purge', { grams: format.mass(purgeG) }),
    ...(content.onlyWhileRunning ? [t('grinder.onlyWhileRunning')] : []),
    ...(kept.length > 0
      ? [t('grinder.retention', { grams: format.massApart(mean), n: kept.length }, kept.length)]
      : []),
    ...(innerBurr === null
      ? []
      : [
          innerBurr.settingsPerUnit === null
            ? t('grinder.burrUnknown', { at: format.plain(innerBurr.at) })
            : t('grinder.burr', {
                at: format.plain(innerBurr.at),
                shift: format.plain(innerBurr.settingsPerUnit),
              }),
        ]),
  ]
}
async function changed(): Promise<void> {
  await Promise.all([load(), loadWorked()])
}
</script>

<template>
  <EmptyPlace v-if="state !== 'here'" :says="t(`prepared.${state}`)" />
  <div v-else-if="found && grinder" class="stack">
    <RouterLink :to="{ name: 'room', params: { preparedId: grinder.parentId ?? '' } }">{{
      t('room.back')
    }}</RouterLink>
    <h1 tabindex="-1" class="visually-hidden">{{ t('place.grinder') }}</h1>
    <p v-if="grinder.content.lock" class="lock">
      {{
        t('grinder.lockedBy', {
          who: academy.personName(grinder.content.lock.personId),
          why: grinder.content.lock.reason,
        })
      }}
      <template v-if="isLocked">{{ t('grinder.lockedForYou') }}</template>
    </p>
    <ThingCard
      :found="found"
      :choices="choices"
      :name-of="academy.personName"
      @changed="changed"
      @copied="changed"
    >
      <template #default="{ record }">
        <GrinderScale
          v-if="contentOf(record)"
          :grinder="contentOf(record) ?? grinder.content"
          :worked="worked"
        />
        <ul v-if="worked.length > 0" class="worked">
          <li v-for="each in worked" :key="each.coffeeId">
            {{
              t(
                'grinder.workedLine',
                {
                  coffee: each.coffeeName,
                  from: settingShown(each.lowest, grinder.content.lettersPerNumber),
                  to: settingShown(each.highest, grinder.content.lettersPerNumber),
                  n: each.shots,
                  date: format.dateOf(each.lastAt, academy.timeZone),
                },
                each.shots,
              )
            }}
          </li>
        </ul>
        <p v-else class="soft">{{ t('grinder.noneWorked') }}</p>
        <GrinderCurve :grinder-id="preparedId" />
        <ul class="facts">
          <li v-for="fact in facts(record)" :key="fact">{{ fact }}</li>
        </ul>
        <section v-if="grinder.content.portions.length > 0" aria-labelledby="doser">
          <h3 id="doser">{{ t('grinder.calibration') }}</h3>
          <DoserChart :portions="grinder.content.portions" :target-g="doseG" />
        </section>
        <CautionNote act="grinder" />
      </template>
    </ThingCard>
  </div>
</template>

<style scoped>
.lock {
  margin: 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
.facts {
  columns: 2 320px;
  padding-left: 20px;
  list-style: disc;
}
</style>
