<script setup lang="ts">
import { type Sign, type SignGroup, signsIn } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import LineIcon from '../../kit/parts/LineIcon.vue'
import type { ShotDraft } from '../draft/shotDraft.ts'

/** Signs that are looked for in one look: each is seen, not there, or not checked; one tap says that the rest are not there. */
const props = defineProps<{ group: SignGroup }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()

const signs = computed(() => signsIn(props.group))
const seen = computed(() => draft.value.noted.signs)
const isAnyOpen = computed(() => signs.value.some((sign) => seen.value[sign] === undefined))

function stateOf(sign: Sign): 'seen' | 'notThere' | 'notChecked' {
  const isSeen = seen.value[sign]
  if (isSeen === undefined) return 'notChecked'
  return isSeen ? 'seen' : 'notThere'
}

/** Not checked, seen, not there, and round again. */
function turn(sign: Sign): void {
  const { [sign]: before, ...rest } = draft.value.noted.signs
  draft.value.noted.signs = before === false ? rest : { ...rest, [sign]: before === undefined }
}

function noneOfTheRest(): void {
  const rest = Object.fromEntries(signs.value.map((sign) => [sign, false]))
  draft.value.noted.signs = { ...rest, ...draft.value.noted.signs }
}
</script>

<template>
  <fieldset>
    <legend>{{ t(`signs.${group}`) }}</legend>
    <div class="signs">
      <button
        v-for="sign in signs"
        :key="sign"
        type="button"
        class="sign"
        :class="stateOf(sign)"
        :data-sign="sign"
        @click="turn(sign)"
      >
        <LineIcon v-if="stateOf(sign) === 'seen'" sign="check" />
        {{ t(`sign.${sign}`)
        }}<span v-if="stateOf(sign) === 'notThere'" class="soft">, {{ t('signs.notThere') }}</span>
        <span v-else class="visually-hidden">, {{ t(`signs.${stateOf(sign)}`) }}</span>
      </button>
      <button v-if="isAnyOpen" type="button" class="sign rest" @click="noneOfTheRest">
        {{ t('signs.rest') }}
      </button>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  margin-bottom: 12px;
}
.signs {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.sign {
  min-height: var(--touch, 44px);
  padding: 4px 14px;
  border: 2px solid var(--edge);
  border-radius: 8px;
  background: var(--raised);
  color: inherit;
  font: inherit;
  font-size: 0.85em;
  line-height: 1.15;
  text-align: left;
  cursor: pointer;
}
.sign.seen {
  border-color: var(--pine);
  background: var(--pine-soft);
  font-weight: 700;
}
.sign.notThere {
  border-style: dashed;
  background: transparent;
}
.sign.rest {
  border-color: transparent;
  background: transparent;
  color: var(--cornflower);
  text-decoration: underline;
}
</style>
