<script setup lang="ts">
import { BENCH_STATES, type TodayBar } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import { useDoor } from '../../../data/door/door.ts'

/** What lies ready on the bench: each thing is here, missing or on order, by one tap. */
const props = defineProps<{ bench: TodayBar['bench'] }>()
const emit = defineEmits<{ change: [bench: TodayBar['bench']] }>()
const { t } = useI18n()
const door = useDoor()

const lacking = computed(() => props.bench.filter(({ state }) => state !== 'here'))
const options = BENCH_STATES.map((state) => ({ value: state, label: t(`prepared.option.state.${state}`) }))

function set(index: number, state: TodayBar['bench'][number]['state']): void {
  emit(
    'change',
    props.bench.map((each, at) => (at === index ? { ...each, state } : each)),
  )
}
</script>

<template>
  <div class="bench">
    <p>
      <strong>{{ lacking.length === 0 ? t('bench.ready') : t('bench.lacking', lacking.length) }}</strong>
      {{ t('bench.cloths') }}
    </p>
    <ul>
      <li v-for="(each, index) in bench" :key="`${index} ${each.what}`" class="row">
        <span> {{ each.what }} <span class="soft">{{ each.note }}</span> </span>
        <ChoiceRow
          v-if="door.may('prepare')"
          :label="each.what"
          is-label-hidden
          :options="options"
          :model-value="each.state"
          @update:model-value="set(index, $event)"
        />
        <span v-else>{{ t(`prepared.option.state.${each.state}`) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 16px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--mist);
}
@media (max-width: 600px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
