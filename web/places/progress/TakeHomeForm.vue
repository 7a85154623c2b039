<script setup lang="ts">
import { BOUNDS, type FamilySkill, type TakeHome } from '@calm-apron/contract'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PressButton from '../../kit/parts/PressButton.vue'
import TakeHomeNote from '../../shot/skill/TakeHomeNote.vue'
import { useOwnSentences } from '../../shot/skill/useOwnSentences.ts'
import { useTakeHome } from '../../shot/skill/useTakeHome.ts'

/** A sentence for somebody to take home: what their figures would say, to be changed or given as it stands. */
const props = defineProps<{ personId: string; family: FamilySkill; last: TakeHome | null }>()
const { t } = useI18n()
const ownSentences = useOwnSentences()
const { give, given, isBusy, failure } = useTakeHome()

const proposed = () => ownSentences(props.family, Date.now()).join(' ')
const text = ref(proposed())
async function send(): Promise<void> {
  if (await give(props.personId, text.value)) text.value = ''
}
</script>

<template>
  <section class="take" aria-labelledby="take-home">
    <h3 id="take-home">{{ t('skill.takeHome.title') }}</h3>
    <TakeHomeNote v-if="last" :take-home="last" />
    <form @submit.prevent="send">
      <label for="take-home-text">{{ t('skill.takeHome.label') }}</label>
      <textarea
        id="take-home-text"
        v-model="text"
        class="native"
        rows="2"
        :maxlength="BOUNDS.reasonLength.max"
        :aria-describedby="failure ? 'take-home-issue' : undefined"
      ></textarea>
      <p v-if="failure" id="take-home-issue" class="issue" role="alert">{{ failure }}</p>
      <PressButton type="submit" :is-busy="isBusy" :disabled="text.trim().length < BOUNDS.reasonLength.min">{{
        t('skill.takeHome.give')
      }}</PressButton>
      <span v-if="given[personId]" role="status">{{ t('skill.takeHome.given') }}</span>
    </form>
  </section>
</template>

<style scoped>
.take {
  border-top: 1px solid var(--mist);
  padding-top: 12px;
  display: grid;
  gap: 8px;
}
h3 {
  margin: 0;
  font-size: 1em;
}
label {
  display: block;
  margin-bottom: 4px;
}
textarea {
  width: 100%;
  max-width: 720px;
  display: block;
  margin-bottom: 8px;
}
.issue {
  color: var(--plum);
  margin: 0 0 8px;
}
</style>
