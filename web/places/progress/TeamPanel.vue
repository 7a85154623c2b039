<script setup lang="ts">
import { SKILLS } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { teamSkillAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import AsOfNote from './AsOfNote.vue'
import RungMark from './RungMark.vue'
import TeamFilters from './TeamFilters.vue'
import { type TeamView, teamViewed } from './teamView.ts'
import { useSaying } from '../../shot/skill/useSaying.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** Everyone who learns here, by what is most pressing: one sentence each, and the rung of every skill. */
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const sayingWords = useSaying()
const now = useTimeOfDay(60_000)
const answer = useAnswer(teamSkillAsked)

const view = ref<TeamView>({ order: 'pressing', by: '', withinDays: null, personIds: null })
const people = computed(() =>
  teamViewed(answer.value.value?.people ?? [], view.value, academy.personName, now.value.getTime()).map(
    (member) => ({
      ...member,
      says: member.isWorkedOut ? sayingWords(member.saying, member.family) : t('skill.workedOut'),
      rungs: SKILLS.map((skill) => {
        const standing = member.family?.skills[skill]
        return { skill, rung: standing === undefined || standing.shots === 0 ? null : standing.rung }
      }),
    }),
  ),
)
/** What runs off for everybody is said once, and of nobody. */
const bar = computed(() =>
  (answer.value.value?.bar ?? []).map(({ grinderId, recipeRevisionId, direction, since, people: many }) =>
    t(`skill.bar.${direction}`, {
      grinder: academy.grinder(grinderId)?.name ?? '',
      recipe: academy.recipe(recipeRevisionId)?.name ?? '',
      people: many,
      time: format.timeOf(since, academy.timeZone),
    }),
  ),
)
/** Those whose figures are being worked out anew. */
const behind = computed(() => (answer.value.value?.people ?? []).filter(({ isBehind }) => isBehind))
</script>

<template>
  <section class="team" :aria-label="t('skill.team')">
    <TeamFilters v-model="view" />
    <p v-if="view.order === 'pressing'" class="soft order">{{ t('skill.order.rule') }}</p>
    <AsOfNote v-if="answer.state.value === 'kept'" :at-ms="answer.askedAtMs.value" />
    <p v-else-if="behind.length > 0" class="soft" role="status">{{ t('skill.someBehind', behind.length) }}</p>
    <p v-for="each in bar" :key="each" class="bar" role="note">{{ each }}</p>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ t('skill.who') }}</th>
          <th scope="col">{{ t('skill.what') }}</th>
          <th v-for="skill in SKILLS" :key="skill" scope="col" class="rung">{{ t(`skill.of.${skill}`) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in people" :key="person.personId" :data-says="person.saying.kind">
          <th scope="row">
            <RouterLink :to="{ name: 'progress', params: { personId: person.personId } }">{{
              person.name
            }}</RouterLink>
          </th>
          <td class="says">{{ person.says }}</td>
          <td v-for="{ skill, rung } in person.rungs" :key="skill" class="rung"><RungMark :rung="rung" /></td>
        </tr>
      </tbody>
    </table>
    <p v-if="people.length === 0 && answer.state.value === 'here'" class="soft">
      {{ t((answer.value.value?.people.length ?? 0) > 0 ? 'skill.filter.nobody' : 'today.noTrainees') }}
    </p>
  </section>
</template>

<style scoped>
.order {
  margin: 0 0 8px;
}
.bar {
  margin: 0 0 12px;
  padding: 10px 16px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
  font-size: 1.05em;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 12px 12px 12px 0;
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
  white-space: nowrap;
}
.says {
  font-size: 1.05em;
  min-width: 14em;
}
td.rung {
  font-size: 0.85em;
}
[data-says='safety-missed'] .says {
  border-left: 4px solid var(--plum);
  padding-left: 12px;
}
[data-says='worse'] .says {
  border-left: 4px solid var(--ochre);
  padding-left: 12px;
}
@media (max-width: 1180px) {
  .rung {
    display: none;
  }
}
@media (max-width: 600px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    padding: 8px 0;
    border-top: 1px solid var(--mist);
  }
  th,
  td {
    padding: 4px 0;
    border: 0;
  }
  [data-says='safety-missed'] .says,
  [data-says='worse'] .says {
    padding-left: 12px;
  }
}
</style>
