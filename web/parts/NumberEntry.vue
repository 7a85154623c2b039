<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { useId } from 'vue'

/** A number typed by hand, kept as typed; what is wrong with it stands right below it. */
defineProps<{ label: string; suffix?: string; hint?: string; issue?: string | undefined }>()
const text = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div class="entry">
    <label :for="id">{{ label }}</label>
    <Input
      :id="id"
      v-model:value="text"
      inputmode="decimal"
      autocomplete="off"
      class="figure"
      :status="issue ? 'error' : ''"
      :aria-invalid="issue ? true : undefined"
      :aria-describedby="issue ? `${id}-issue` : hint ? `${id}-hint` : undefined"
      :suffix="suffix"
    />
    <p v-if="issue" :id="`${id}-issue`" class="issue" role="alert">{{ issue }}</p>
    <p v-else-if="hint" :id="`${id}-hint`" class="soft hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.entry {
  min-width: 0;
}
label {
  display: block;
  margin-bottom: 4px;
}
.issue {
  color: var(--plum);
  margin: 4px 0 0;
  line-height: 1.25;
}
.hint {
  font-size: 0.875em;
  margin: 4px 0 0;
}
</style>
