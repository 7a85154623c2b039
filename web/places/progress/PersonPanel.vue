<script setup lang="ts">
import type { PersonSkill } from '@calm-apron/contract'
import { FOCUS_FOR, skillSaying } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import type { Answer } from '../../data/queries/useAnswer.ts'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import AsOfNote from './AsOfNote.vue'
import ForTrainer from './ForTrainer.vue'
import SkillRows from './SkillRows.vue'
import TakeHomeForm from './TakeHomeForm.vue'
import TakeHomeNote from '../../shot/skill/TakeHomeNote.vue'
import { useOwnSentences } from '../../shot/skill/useOwnSentences.ts'
import { useSaying } from '../../shot/skill/useSaying.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** What one person can do: what to do next first, then each skill. To themselves without forecast or percentage. */
const props = defineProps<{ personId: string; isOwn: boolean; answer: Answer<PersonSkill> }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const sayingWords = useSaying()
const ownSentences = useOwnSentences()
const now = useTimeOfDay(60_000)

const families = computed(() => props.answer.value.value?.families ?? [])
const chosen = ref('0')
const family = computed(() => families.value[Number(chosen.value)] ?? families.value[0] ?? null)
const basketName = (basketId: string | null) =>
  academy.today?.bars.flatMap(({ baskets }) => baskets).find((each) => each.basketId === basketId)?.name
/** Someone who pulls in several ways has an account in each. */
const choices = computed(() =>
  families.value.map(({ family: { by, basketId } }, at) => {
    const basket = basketName(basketId)
    const way = t(`skill.family.${by}`)
    return {
      value: String(at),
      label: basket === undefined ? way : t('skill.family.inBasket', { by: way, basket }),
    }
  }),
)
const says = computed(() => {
  if (family.value === null) return []
  if (props.isOwn) return ownSentences(family.value, now.value.getTime(), props.answer.value.value?.takeHome)
  return [sayingWords(skillSaying(family.value, now.value.getTime()), family.value)]
})
/** No chance is none. */
const HARDLY = 0.01
const forecast = computed(() => {
  const passToday = family.value?.passToday ?? null
  if (passToday === null) return ''
  return t('skill.pass', {
    percent: passToday < HARDLY ? t('skill.hardly') : format.percent(passToday),
  })
})
/** A training for them, and for what they should practise. */
const start = computed(() => {
  const skill = family.value?.practiseNext?.skill
  return { with: props.personId, ...(skill !== undefined && { focus: FOCUS_FOR[skill] }) }
})
const isTrainee = computed(() => academy.trainees.some((each) => each.personId === props.personId))
const isWaiting = computed(() => props.answer.value.value?.isBehind === true)
</script>

<template>
  <section v-if="family" class="skill" aria-labelledby="skill-title">
    <h2 id="skill-title">{{ t('skill.title') }}</h2>
    <TakeHomeNote v-if="isOwn && answer.value.value?.takeHome" :take-home="answer.value.value.takeHome" />
    <div class="next">
      <p v-for="each in says" :key="each">{{ each }}</p>
      <RouterLink v-if="!isOwn" class="start" :to="{ name: 'new-training', query: start }">{{
        t('skill.train')
      }}</RouterLink>
    </div>
    <ChoiceRow
      v-if="choices.length > 1"
      v-model="chosen"
      :label="t('skill.family.label')"
      :options="choices"
    />
    <SkillRows :family="family" :is-own="isOwn" />
    <p class="soft">
      {{ t('skill.overall', { rung: t(`skill.rung.${family.rung}`) }) }}
      {{ forecast }}
      {{ t('skill.basis', { count: family.shots }) }}
    </p>
    <template v-if="!isOwn">
      <ForTrainer :family="family" :beside="answer.value.value?.beside ?? null" />
      <TakeHomeForm
        v-if="isTrainee"
        :person-id="personId"
        :family="family"
        :last="answer.value.value?.takeHome ?? null"
      />
      <p class="links">
        <RouterLink :to="{ name: 'talk-sheet', params: { personId } }">{{
          t('skill.sheet.open')
        }}</RouterLink>
        <RouterLink :to="{ name: 'shots', query: { personId } }">{{ t('skill.allShots') }}</RouterLink>
      </p>
    </template>
    <AsOfNote v-if="answer.state.value === 'kept'" :at-ms="answer.askedAtMs.value" />
    <p v-else-if="isWaiting" class="soft" role="status">{{ t('skill.workedOut') }}</p>
  </section>
  <p v-else-if="isWaiting" class="soft" role="status">{{ t('skill.workedOut') }}</p>
</template>

<style scoped>
.skill {
  padding: 16px 20px;
  background: var(--raised);
  display: grid;
  gap: 12px;
}
h2,
.skill > p {
  margin: 0;
}
.next {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 24px;
  font-size: 1.2rem;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}
.links a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
.next p {
  margin: 0;
}
.start {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  padding: 0 20px;
  background: var(--pine);
  color: var(--paper);
  border-radius: 8px;
  text-decoration: none;
  font-weight: 700;
  font-size: 1rem;
}
</style>
