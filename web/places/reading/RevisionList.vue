<script setup lang="ts">
import type { ShotRevision } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import { useFactWords } from '../../shot/reading/useFactWords.ts'

/** Every state of a shot's facts, newest first, with what each correction changed. */
const props = defineProps<{ revisions: readonly ShotRevision[]; grinderId: string | null }>()
const { t } = useI18n()
const format = useFormat()
const academy = useAcademy()
const printed = useSettingWords()
const { lines, changes } = useFactWords((setting) => printed(props.grinderId)(setting))

/** Who judged, and whether that was checked; nothing for what was recorded before people signed in. */
function judgeOf({ judgedBy, isClaimed, isDenied }: ShotRevision): string {
  if (judgedBy === null) return ''
  const person = academy.personName(judgedBy) || t('app.someoneErased')
  const doubt = isDenied ? [t('reading.denied')] : isClaimed ? [t('reading.claimed')] : []
  return [t('reading.judgedBy', { person }), ...doubt].join(', ')
}

const rows = computed(() =>
  props.revisions.map((revision, index) => {
    const before = props.revisions[index + 1]
    return {
      id: revision.revisionId,
      title: `${t('reading.revision', { no: revision.revisionNo })}, ${index === 0 ? t('reading.now') : t('reading.first')}`,
      when: format.momentOf(revision.recordedAt, academy.timeZone),
      reason: revision.reason,
      judge: judgeOf(revision),
      changes: before ? changes(before.facts, revision.facts) : [],
    }
  }),
)
const facts = computed(() => (props.revisions[0] ? lines(props.revisions[0].facts) : []))
</script>

<template>
  <p v-if="rows.length === 1 && rows[0]?.judge" class="soft judge">{{ rows[0].judge }}</p>
  <details class="facts">
    <summary>{{ t('reading.facts') }}</summary>
    <dl>
      <template v-for="line in facts" :key="line.label">
        <dt>{{ line.label }}</dt>
        <dd class="figure">{{ line.value }}</dd>
      </template>
    </dl>
  </details>
  <section v-if="rows.length > 1" class="corrections" aria-labelledby="corrections">
    <h2 id="corrections">{{ t('reading.revisions') }}</h2>
    <ol>
      <li v-for="row in rows" :key="row.id">
        <strong>{{ row.title }}</strong> <span class="soft">{{ row.when }}</span>
        <p v-if="row.judge" class="soft">{{ row.judge }}</p>
        <p v-if="row.reason">{{ row.reason }}</p>
        <p v-for="change in row.changes" :key="change" class="figure change">{{ change }}</p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.facts,
.corrections {
  margin-top: 24px;
}
.judge {
  margin: 16px 0 0;
}
dl {
  margin: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 16px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
  text-align: right;
}
li {
  border-top: 1px solid var(--mist);
  padding: 8px 0;
}
.change {
  font-size: 0.9em;
  margin: 0;
}
</style>
