<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useShotList } from '../../data/queries/useShots.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import ShotRow from '../../shot/reading/ShotRow.vue'
import SkillPanel from './SkillPanel.vue'
import { useSkill } from './useSkill.ts'

const props = defineProps<{ personId: string }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()

const people = computed(() =>
  academy.trainees.map((person) => ({ value: person.personId, label: person.displayName })),
)
const chosen = computed({
  get: () => props.personId || people.value[0]?.value || '',
  set: (personId: string) => void router.replace({ name: 'progress', params: { personId } }),
})
const person = computed(() => academy.personName(chosen.value))
const { shots, hasMore, isKnown, isReached, loadMore } = useShotList(() =>
  chosen.value === '' ? null : { personId: chosen.value },
)
const isLoadingMore = ref(false)
async function earlier(): Promise<void> {
  isLoadingMore.value = true
  await loadMore()
  isLoadingMore.value = false
}
const skill = useSkill(() => chosen.value)
</script>

<template>
  <div class="progress">
    <h1 tabindex="-1">{{ t('progress.title') }}</h1>
    <ChoiceRow v-model="chosen" :label="t('progress.who')" :options="people" is-label-hidden />
    <p v-if="isKnown && !isReached" class="soft">
      {{ shots.length > 0 ? t('progress.offline') : t('progress.offlineNone', { person }) }}
    </p>
    <SkillPanel v-if="skill" :skill="skill" />
    <template v-if="shots.length > 0">
      <p class="soft hint">{{ t('progress.newestFirst') }}</p>
      <ol class="shots">
        <ShotRow v-for="listed in shots" :key="listed.shot.shotId" :listed="listed" />
      </ol>
      <PressButton v-if="hasMore" :is-busy="isLoadingMore" @click="earlier">{{
        t('progress.earlier')
      }}</PressButton>
    </template>
    <EmptyPlace
      v-else-if="isKnown && isReached"
      :says="t('progress.empty', { person })"
      :action="t('progress.first', { person })"
      :to="{ name: 'today' }"
    />
  </div>
</template>

<style scoped>
.progress {
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
  display: grid;
  gap: 12px;
}
.hint {
  margin: 0;
}
@media (max-width: 860px) {
  .progress {
    padding: 16px;
  }
}
</style>
