<script setup lang="ts">
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import type { useShotWith } from './useShotWith.ts'

/** What a shot by itself is pulled with, in a line; of what there are several one is asked, the first time unfolded. */
const { with: pulledWith } = defineProps<{ with: ReturnType<typeof useShotWith> }>()
const { t } = useI18n()
const { asked, isChosen, words, choose } = pulledWith
/** As it was when the place was opened: a choice does not fold itself away under the finger. */
const isOpenAtFirst = ref(!isChosen.value)
</script>

<template>
  <div class="with">
    <p>{{ t('today.with', { what: words.join(' · ') }) }}</p>
    <details v-if="asked.length > 0" :open="isOpenAtFirst">
      <summary>{{ t('today.withOther') }}</summary>
      <div class="parts">
        <ChoiceRow
          v-for="each in asked"
          :key="each.part"
          :model-value="each.value ?? ''"
          :label="t(`today.withPart.${each.part}`)"
          :options="each.options"
          @update:model-value="choose(each.part, $event)"
        />
      </div>
    </details>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
.parts {
  display: grid;
  gap: 12px;
}
.with .parts :deep(legend) {
  font-size: 1rem;
  font-weight: 400;
  margin-bottom: 4px;
}
</style>
