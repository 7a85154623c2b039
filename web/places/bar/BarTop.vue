<script setup lang="ts">
import LineIcon from '../../kit/parts/LineIcon.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import DeviceNote from '../../shot/entry/DeviceNote.vue'
import ReachNote from '../../shot/ReachNote.vue'
import { type ShotRun, useShotRuns } from '../../shot/run/shotRuns.ts'
import { isOfSet } from '../../shot/signOff/ofSet.ts'
import { useTones } from '../../kit/tones.ts'

/** Who is at the bar by which recipe, the other shots under way here, and what the devices say. */
const props = defineProps<{ run: ShotRun }>()
const { t } = useI18n()
const academy = useAcademy()
const outbox = useOutbox()
const door = useDoor()
const runs = useShotRuns()
const { isMuted } = useTones()

const { draft, help } = props.run
/** At the dose it stands beside the weight; while coffee runs nobody tares. */
const canTare = computed(() => draft.step !== 'dose' && !props.run.clock.isRunning.value)
const groupName = computed(() => props.run.machine.value?.groups[draft.groupNo ?? 0]?.name ?? '')
const others = computed(() =>
  [...runs.runs.values()]
    .map(({ run }) => run)
    .filter((other) => other.draft.shotId !== draft.shotId)
    .map((other) => ({
      shotId: other.draft.shotId,
      name: academy.personName(other.draft.personId),
      says: other.clock.isRunning.value
        ? t('bar.otherRuns', { s: other.clock.pumpS.value.toFixed(0) })
        : t(`step.${other.draft.step}`),
    })),
)
</script>

<template>
  <div class="top">
    <p class="puller">
      <strong>{{ academy.personName(draft.personId) }}</strong>
      <span class="soft"
        >{{ run.recipe.value?.name }}<template v-if="groupName">, {{ groupName }}</template></span
      >
    </p>
    <div class="others">
      <RouterLink
        v-for="other in others"
        :key="other.shotId"
        class="other"
        :to="{ name: 'shot', params: { shotId: other.shotId } }"
        ><strong>{{ other.name }}</strong> <span>{{ other.says }}</span></RouterLink
      >
    </div>
    <div class="hands">
      <PressButton
        v-if="run.recording.hasScale.value"
        class="sound"
        :class="{ away: !canTare }"
        @click="run.device.order({ kind: 'tare' })"
        >{{ t('dose.tare') }}</PressButton
      >
      <PressButton
        kind="text"
        class="sound"
        :aria-pressed="!isMuted"
        :aria-label="t('bar.sounds')"
        @click="isMuted = !isMuted"
      >
        <template #icon><LineIcon class="icon" sign="sound" /></template
        >{{ t(isMuted ? 'bar.muted' : 'bar.audible') }}
      </PressButton>
      <PressButton
        v-if="door.isStaff && !isOfSet(draft)"
        kind="text"
        class="sound"
        :aria-pressed="help.isOn.value"
        :aria-label="t('bar.help')"
        @click="help.isOn.value = !help.isOn.value"
        >{{ t(help.isOn.value ? 'bar.helpOn' : 'bar.helpOff') }}</PressButton
      >
      <span v-else class="help">{{ t(help.isOn.value ? 'bar.helpOn' : 'bar.helpOff') }}</span>
      <RouterLink
        v-if="draft.trainingId"
        class="back"
        :to="{ name: 'training', params: { trainingId: draft.trainingId } }"
        >{{ t('bar.toTraining') }}</RouterLink
      >
    </div>
    <div class="says">
      <ReachNote class="help" />
      <DeviceNote :device="run.device" />
    </div>
    <p v-if="outbox.isStorageFull" class="full" role="alert">{{ t('bar.storageFull') }}</p>
  </div>
</template>

<style scoped>
.icon {
  margin-right: 8px;
}
.top {
  display: grid;
  grid-template: 'puller others hands' auto 'says says says' auto 'full full full' auto / auto 1fr auto;
  align-items: center;
  gap: 0 20px;
}
.puller {
  grid-area: puller;
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  margin: 0;
}
.other,
.back {
  min-height: 44px;
  padding: 0 12px;
  display: inline-flex;
  gap: 8px;
  align-items: center;
  border: 2px solid var(--edge);
  border-radius: 8px;
  color: inherit;
  text-decoration: none;
  font-size: 0.85em;
}
.others {
  grid-area: others;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
/* What is said here changes all the time; nothing below it may move from under a finger. */
.other {
  width: 280px;
  font-variant-numeric: tabular-nums;
}
.other > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.other > strong {
  flex: none;
  max-width: 140px;
}
.hands {
  grid-area: hands;
  display: flex;
  align-items: center;
  gap: 4px 12px;
}
.away {
  visibility: hidden;
}
.says {
  grid-area: says;
  height: 28px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 4px 20px;
}
.help {
  font-size: 0.8em;
}
.sound {
  height: 44px;
  font-size: 0.8em;
}
.full {
  grid-area: full;
  margin: 0;
  padding: 8px 12px;
  background: var(--plum-soft);
}
@media (max-width: 1100px) {
  .top {
    grid-template: 'puller others' auto 'says hands' auto 'full full' auto / 1fr auto;
  }
  .says {
    height: 56px;
    flex-direction: column;
    justify-content: center;
    align-items: start;
    gap: 0;
  }
}
@media (max-width: 760px) {
  .top {
    grid-template: 'puller' auto 'others' auto 'hands' auto 'says' auto 'full' auto / minmax(0, 1fr);
  }
  .hands {
    flex-wrap: wrap;
  }
  .says {
    height: 80px;
  }
}
</style>
