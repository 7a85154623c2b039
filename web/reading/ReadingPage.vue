<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import EmptyPlace from '../parts/EmptyPlace.vue'
import ShotRails from '../parts/ShotRails.vue'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { useStartShot } from '../today/useStartShot.ts'
import { useFormat } from '../units/useFormat.ts'
import DiagnosisCard from './DiagnosisCard.vue'
import RevisionList from './RevisionList.vue'
import { useShotReading } from './useShotReading.ts'

const props = defineProps<{ shotId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const format = useFormat()
const startShot = useStartShot()
const { shot, state, readings, diagnosis, isUnsent } = useShotReading(() => props.shotId)
/** One's own to correct is what one pulled and recorded oneself. */
const mayCorrect = computed(() => {
  const recordedBy = shot.value?.revisions.at(-1)?.judgedBy
  const isOwn = shot.value?.personId === door.personId && recordedBy === door.personId
  return door.may('correct-shot', isOwn)
})
</script>

<template>
  <div v-if="shot && readings && diagnosis" class="reading">
    <header class="head">
      <h1 tabindex="-1">
        {{
          t('reading.of', {
            person: academy.personName(shot.personId),
            date: format.dateOf(shot.pulledAt, academy.timeZone),
            time: format.timeOf(shot.pulledAt, academy.timeZone),
          })
        }}
      </h1>
      <p class="soft">{{ t('recipe.judged', { name: shot.recipe.name, no: shot.recipe.revisionNo }) }}</p>
      <p v-if="isUnsent" role="status">{{ t('reading.unsent') }}</p>
    </header>
    <DiagnosisCard
      class="says"
      :diagnosis="diagnosis"
      :readings="readings"
      :grind-setting="shot.current.facts.grindSetting"
    />
    <div class="shown">
      <ShotRails :readings="readings" :recipe="shot.recipe.targets" />
      <RevisionList :revisions="shot.revisions" />
    </div>
    <div class="actions">
      <Button type="primary" @click="startShot(shot.personId, shot.recipeRevisionId)">{{
        t('reading.nextShot')
      }}</Button>
      <RouterLink v-if="mayCorrect" :to="{ name: 'correct', params: { shotId } }">{{
        t('reading.correct')
      }}</RouterLink>
      <RouterLink :to="{ name: 'progress', params: { personId: shot.personId } }">
        {{ t('reading.progress', { person: academy.personName(shot.personId) }) }}
      </RouterLink>
    </div>
  </div>
  <EmptyPlace
    v-else-if="state === 'not-there'"
    :says="t('reading.notThere')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
  <EmptyPlace v-else-if="state === 'unreachable'" :says="t('reading.offline')" />
  <EmptyPlace v-else :says="t('app.loading')" />
</template>

<style scoped>
.reading {
  display: grid;
  grid-template: 'head head' auto 'says shown' auto 'actions shown' 1fr / minmax(0, 1fr) minmax(0, 1fr);
  gap: 16px 56px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
.head {
  grid-area: head;
}
.head p {
  margin: 0;
}
.says {
  grid-area: says;
}
.shown {
  grid-area: shown;
}
.actions {
  grid-area: actions;
  align-self: start;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 24px;
}
.actions a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
.actions :deep(.ant-btn) {
  height: 56px;
  padding-inline: 32px;
  font-size: 1.125rem;
}
@media (max-width: 860px) {
  .reading {
    grid-template: 'head' auto 'says' auto 'actions' auto 'shown' auto / minmax(0, 1fr);
    padding: 16px;
  }
}
</style>
