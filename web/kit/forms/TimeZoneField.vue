<script setup lang="ts">
import { useId } from 'vue'
import { useI18n } from 'vue-i18n'

/** A time zone, typed with the known ones offered by the browser's own list. */
defineProps<{ issue?: string | undefined }>()
const zone = defineModel<string>({ required: true })
const { t } = useI18n()
const id = useId()
const ZONES = Intl.supportedValuesOf('timeZone')
</script>

<template>
  <div class="field">
    <label :for="id">{{ t('setUp.timeZone') }}</label>
    <input
      :id="id"
      v-model="zone"
      class="native"
      :list="`${id}-zones`"
      autocomplete="off"
      :spellcheck="false"
      :aria-invalid="issue ? true : undefined"
      :aria-describedby="`${id}-note`"
    />
    <datalist :id="`${id}-zones`">
      <option v-for="each in ZONES" :key="each" :value="each" />
    </datalist>
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
