<script setup lang="ts">
import { AutoComplete } from 'ant-design-vue'
import { computed, useId } from 'vue'
import { useI18n } from 'vue-i18n'

/** A time zone, typed with the known ones offered. */
defineProps<{ issue?: string | undefined }>()
const zone = defineModel<string>({ required: true })
const { t } = useI18n()
const id = useId()
const MOST_OFFERED = 40
const ZONES = Intl.supportedValuesOf('timeZone')

const offered = computed(() => {
  const typed = zone.value.toLowerCase().replaceAll(' ', '_')
  return ZONES.filter((each) => each.toLowerCase().includes(typed))
    .slice(0, MOST_OFFERED)
    .map((value) => ({ value }))
})
</script>

<template>
  <div class="field">
    <label :for="id">{{ t('setUp.timeZone') }}</label>
    <AutoComplete
      :id="id"
      v-model:value="zone"
      :options="offered"
      :status="issue ? 'error' : ''"
      :aria-describedby="`${id}-note`"
    />
    <p v-if="issue" :id="`${id}-note`" class="issue" role="alert">{{ issue }}</p>
    <p v-else :id="`${id}-note`" class="soft hint">{{ t('setUp.timeZoneHint') }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  max-width: 480px;
}
label {
  margin-bottom: 4px;
}
.issue,
.hint {
  margin: 4px 0 0;
}
.issue {
  color: var(--plum);
}
.hint {
  font-size: 0.875em;
}
</style>
