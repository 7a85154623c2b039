<script setup lang="ts">
import MoreButton from '../../kit/parts/MoreButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { signOffsAsked, skillAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useShotList } from '../../data/queries/useShots.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import ProgressTabs from '../../shot/ProgressTabs.vue'
import ShotRow from '../../shot/reading/ShotRow.vue'
import PersonPanel from './PersonPanel.vue'
import SignOffs from './SignOffs.vue'
import TeamPanel from './TeamPanel.vue'

/** The team for those who teach; one person with their shots; for whoever learns themselves. */
const props = defineProps<{ personId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()

const shown = computed(() => props.personId || (door.isStaff ? '' : (door.personId ?? '')))
const person = computed(() => academy.personName(shown.value))
const isOwn = computed(() => shown.value === door.personId)
const { shots, hasMore, isKnown, isReached, loadMore } = useShotList(() =>
  shown.value === '' ? null : { personId: shown.value },
)
/** Each part takes its place once what stands above it has: nothing may move from under a finger. */
const skill = useAnswer(() => (shown.value === '' ? null : skillAsked(shown.value)))
const signOffs = useAnswer(() => (shown.value === '' ? null : signOffsAsked(shown.value)))
const hasSkill = computed(() => !skill.isAwaited.value)
const hasSignOffs = computed(() => hasSkill.value && !signOffs.isAwaited.value)
</script>

<template>
  <div class="progress">
    <ProgressTabs />
    <h1 tabindex="-1">{{ shown === '' || isOwn ? t('progress.title') : person }}</h1>
    <TeamPanel v-if="shown === ''" />
    <template v-else>
      <p v-if="isKnown && !isReached" class="soft">
        {{ shots.length > 0 ? t('progress.offline') : t('progress.offlineNone', { person }) }}
      </p>
      <PersonPanel :key="shown" :person-id="shown" :is-own="isOwn" :answer="skill" />
      <SignOffs
        v-if="hasSkill"
        :key="`sign-offs ${shown}`"
        :person-id="shown"
        :is-own="isOwn"
        :answer="signOffs"
      />
      <template v-if="hasSignOffs && shots.length > 0">
        <p class="soft hint">{{ t('progress.newestFirst') }}</p>
        <ol class="shots">
          <ShotRow v-for="listed in shots" :key="listed.shot.shotId" :listed="listed" />
        </ol>
        <MoreButton v-if="hasMore" :load="loadMore">{{ t('progress.earlier') }}</MoreButton>
      </template>
      <EmptyPlace
        v-else-if="hasSignOffs && isKnown && isReached"
        :says="t('progress.empty', { person })"
        :action="t('progress.first', { person })"
        :to="{ name: 'today' }"
      />
    </template>
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
