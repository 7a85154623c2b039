<script setup lang="ts">
import { computed } from 'vue'
import ListField from './ListField.vue'
import PartField from './PartField.vue'
import ValueField from './ValueField.vue'
import { useFieldContext } from './fieldContext.ts'
import type { FieldSpec } from './fieldSpec.ts'

/** The fields of one object, parts of parts in sections of their own. The object is changed in place. */
const props = defineProps<{ fields: readonly FieldSpec[]; path?: string }>()
const values = defineModel<Record<string, unknown>>({ required: true })
const { omitted } = useFieldContext()

const shown = computed(() =>
  props.fields
    .map((spec) => ({ spec, path: props.path ? `${props.path}.${spec.name}` : spec.name }))
    .filter(({ path }) => !omitted.includes(path)),
)
const isPart = ({ spec }: { spec: FieldSpec }) => spec.type === 'object' || spec.type === 'list'
const plain = computed(() => shown.value.filter((each) => !isPart(each)))
const parts = computed(() => shown.value.filter(isPart))

function set(name: string, value: unknown): void {
  values.value[name] = value
}
</script>

<template>
  <div class="fields">
    <div v-if="plain.length > 0" class="grid">
      <ValueField
        v-for="{ spec, path: at } in plain"
        :key="at"
        :spec="spec"
        :path="at"
        :model-value="values[spec.name]"
        @update:model-value="set(spec.name, $event)"
      />
    </div>
    <template v-for="{ spec, path: at } in parts" :key="at">
      <PartField
        v-if="spec.type === 'object'"
        :spec="spec"
        :path="at"
        :model-value="values[spec.name]"
        @update:model-value="set(spec.name, $event)"
      />
      <ListField
        v-else-if="spec.type === 'list'"
        :spec="spec"
        :path="at"
        :model-value="values[spec.name]"
        @update:model-value="set(spec.name, $event)"
      />
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 20px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(260px, 100%), 1fr));
  gap: 16px 24px;
  align-items: start;
}
</style>
