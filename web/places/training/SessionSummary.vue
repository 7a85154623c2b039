<script setup lang="ts">
import {
  type TrainingEvent,
  type TrainingState,
  departures,
  headingOf,
  isTurn,
  locksHeld,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useAwaiting } from '../../data/academy/useAwaiting.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import { readListed } from '../../shot/reading/readListed.ts'
import PressButton from '../../kit/parts/PressButton.vue'
import { useTakeHome } from '../../shot/skill/useTakeHome.ts'
import MoneySpent from '../../shot/training/MoneySpent.vue'
import { useNextTime } from './useNextTime.ts'

/** What a training that is over came to: who pulled how many and how, the settings that held, how the bench was left, next time. */
const props = defineProps<{
  state: TrainingState
  events: readonly TrainingEvent[]
  listed: readonly ListedShot[]
}>()
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const awaiting = useAwaiting()
const format = useFormat()
const settingWords = useSettingWords()
const nextTime = useNextTime()
const { give, given, failure } = useTakeHome()

/** What waits for its call says nothing yet. */
const open = computed(() => {
  const waiting = new Set(awaiting.value.map(({ shotId }) => shotId))
  return props.listed.filter(({ shot }) => !waiting.has(shot.shotId))
})
const turns = computed(() => props.listed.filter(({ shot }) => isTurn(shot.purpose)))
function headingsOf(personId: string): string {
  const counts = new Map<string, number>()
  for (const listed of open.value) {
    if (listed.shot.personId !== personId || !isTurn(listed.shot.purpose)) continue
    const heading = headingOf(readListed(listed))
    counts.set(heading, (counts.get(heading) ?? 0) + 1)
  }
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .map(([heading, count]) => t('session.times', { count, heading: t(`heading.${heading}`) }))
    .join(', ')
}
const people = computed(() => {
  const seated = props.state.setup.seats.map(({ personId }) => personId)
  const pulled = turns.value.map(({ shot }) => shot.personId)
  // Of others' shots whoever learns knows nothing: they are not told that there were none.
  return [...new Set([...seated, ...pulled])]
    .filter((personId) => door.may('see-shots', personId === door.personId))
    .map((personId) => ({
      personId,
      name: academy.personName(personId),
      shots: pulled.filter((each) => each === personId).length,
      headings: headingsOf(personId),
      next: nextTime.says(personId),
      toGive: nextTime.toGive(personId),
    }))
    .filter(({ name }) => name !== '')
})

const held = computed(() => locksHeld(props.events))
const time = (at: string) => format.timeOf(at, academy.timeZone)
const locks = computed(() =>
  held.value.map(({ lock, at, by, until }) => ({
    key: at,
    money: lock.money,
    says: [
      t(
        'session.locked',
        {
          time: time(at),
          setting: settingWords(lock.grinderId)(lock.setting),
          person: academy.personName(by),
          mass: format.mass(lock.grams),
          count: lock.shots,
        },
        lock.shots,
      ),
      until === null
        ? ''
        : until.why === null
          ? t('session.replaced', { time: time(until.at) })
          : t('session.lifted', { time: time(until.at), why: t(`lock.why.${until.why}`) }),
    ].filter((each) => each !== ''),
  })),
)
const away = computed(() => {
  const shots = turns.value.map(({ shot }) => {
    const { shotId, personId, pulledAt, grinderId, recipeRevisionId, current } = shot
    return {
      shotId,
      personId,
      pulledAt,
      grinderId,
      recipeRevisionId,
      grindSetting: current.facts.grindSetting,
    }
  })
  return departures(held.value, shots).map(({ shot, lock }) => ({
    shotId: shot.shotId,
    says: t('session.away', {
      person: academy.personName(shot.personId),
      time: time(shot.pulledAt),
      setting: settingWords(lock.grinderId)(shot.grindSetting ?? 0),
      locked: settingWords(lock.grinderId)(lock.setting),
    }),
  }))
})
const left = computed(() => {
  const { ended } = props.state
  if (ended === null) return []
  return (['rinsed', 'wiped', 'handleBack'] as const).map((part) => ({ part, is: ended[part] }))
})
</script>

<template>
  <section class="summary" aria-labelledby="came-to">
    <h2 id="came-to">{{ t('session.title') }}</h2>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ t('session.who') }}</th>
          <th scope="col">{{ t('session.shots') }}</th>
          <th scope="col">{{ t('session.came') }}</th>
          <th scope="col">{{ t('session.next') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in people" :key="person.personId">
          <th scope="row">
            <RouterLink :to="{ name: 'progress', params: { personId: person.personId } }">{{
              person.name
            }}</RouterLink>
          </th>
          <td class="figure">{{ person.shots }}</td>
          <td>{{ person.headings }}</td>
          <td>
            {{ person.next }}
            <template v-if="person.toGive">
              <span v-if="given[person.personId]" class="soft" role="status">{{
                t('skill.takeHome.given')
              }}</span>
              <PressButton
                v-else
                class="give"
                :aria-label="t('session.giveTo', { person: person.name })"
                @click="give(person.personId, person.toGive)"
                >{{ t('skill.takeHome.give') }}</PressButton
              >
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="failure" class="issue" role="alert">{{ failure }}</p>
    <div class="parts">
      <div>
        <h3>{{ t('session.grind') }}</h3>
        <p v-if="locks.length === 0" class="soft">{{ t('session.noLock') }}</p>
        <p v-for="lock in locks" :key="lock.key">
          {{ lock.says.join(' ') }} <MoneySpent :money="lock.money" />
        </p>
        <p v-for="each in away" :key="each.shotId">
          <RouterLink :to="{ name: 'reading', params: { shotId: each.shotId } }">{{ each.says }}</RouterLink>
        </p>
        <p v-if="locks.length > 0 && away.length === 0" class="soft">{{ t('session.noneAway') }}</p>
      </div>
      <div v-if="left.length > 0">
        <h3>{{ t('session.left') }}</h3>
        <ul>
          <li v-for="{ part, is } in left" :key="part">
            {{ t(`leave.${part}`) }}: <strong>{{ t(is ? 'session.yes' : 'session.no') }}</strong>
          </li>
        </ul>
      </div>
    </div>
  </section>
</template>

<style scoped>
.give {
  display: block;
  margin-top: 4px;
}
.issue {
  color: var(--plum);
  margin: 0;
}
.summary {
  display: grid;
  gap: 16px;
}
h2,
h3,
.parts p {
  margin: 0;
}
h3 {
  font-size: 1em;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  padding: 8px 16px 8px 0;
  text-align: left;
  vertical-align: top;
  border-top: 1px solid var(--mist);
}
thead th {
  border-top: 0;
  font-size: 0.9em;
}
tbody th a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  margin: -10px 0;
}
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 16px 40px;
}
.parts p + p {
  margin-top: 4px;
}
@media (max-width: 600px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: 1fr auto;
  }
  td:nth-child(n + 3) {
    grid-column: 1 / -1;
    border-top: 0;
    padding-top: 0;
  }
}
</style>
