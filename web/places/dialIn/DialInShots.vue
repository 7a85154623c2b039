<script setup lang="ts">
import { weighedDoseG } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import { useRailWords } from '../../shot/rails/useRailWords.ts'
import { readListed } from '../../shot/reading/readListed.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** The shots of this dial-in, newest first: setting, time, and why one was set aside. */
const props = defineProps<{ shots: readonly ListedShot[] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const words = useRailWords()
const settingWords = useSettingWords()

const rows = computed(() =>
  props.shots
    .map(({ shot, recipe }, index) => {
      const readings = readListed({ shot, recipe })
      const before = props.shots[index - 1]?.shot.current.facts ?? null
      const facts = shot.current.facts
      const dose = readings.dose.judged ? readings.dose.value : null
      const doseBefore = before === null ? null : weighedDoseG(before)
      const isBothMoved =
        before !== null &&
        before.grindSetting !== facts.grindSetting &&
        dose !== null &&
        doseBefore !== null &&
        Math.abs(dose - doseBefore) > recipe.targets.doseToleranceG
      return {
        shotId: shot.shotId,
        setting: settingWords(shot.grinderId)(facts.grindSetting ?? 0),
        time: words.valueOf('time', readings),
        says: words.deviationOf('time', readings),
        yield: words.valueOf('yield', readings),
        aside: readings.gate.passed ? '' : readings.gate.faults.map((each) => t(`mend.${each}`)).join(', '),
        given: facts.abandoned === null ? '' : t(`fact.abandoned.is.${facts.abandoned}`),
        isBothMoved,
        isSimulated: shot.isSimulated,
        at: format.timeOf(shot.pulledAt, academy.timeZone),
      }
    })
    .toReversed(),
)
</script>

<template>
  <section aria-labelledby="so-far">
    <h2 id="so-far">{{ t('dialin.soFar') }}</h2>
    <p v-if="rows.length === 0" class="soft">{{ t('dialin.none') }}</p>
    <ul>
      <li v-for="row in rows" :key="row.shotId" class="row">
        <RouterLink :to="{ name: 'reading', params: { shotId: row.shotId } }">{{ row.at }}</RouterLink>
        <strong class="figure">{{ row.setting }}</strong>
        <span v-if="row.time">{{ row.time }}</span>
        <span>{{ row.yield }}</span>
        <span class="soft">{{ row.says }}</span>
        <span v-if="row.given">{{ row.given }}</span>
        <span v-if="row.aside" class="soft">{{ t('dialin.aside', { why: row.aside }) }}</span>
        <span v-if="row.isSimulated" class="soft">{{ t('purpose.simulatedMark') }}</span>
        <span v-if="row.isBothMoved" class="soft">{{ t('dialin.bothMoved') }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  min-height: 44px;
  border-bottom: 1px solid var(--mist);
}
.row a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
