<script setup lang="ts">
import { ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSlashKey } from '../useSlashKey.ts'

/** The head of a list: what it holds, a search that `/` goes to, and whether to show what was put away. */
defineProps<{ title: string; intro: string; canSearch?: boolean; isOnlySearch?: boolean }>()
const search = defineModel<string>('search', { default: '' })
const isArchived = defineModel<boolean>('isArchived', { default: false })
const { t } = useI18n()
const id = useId()
const field = ref<HTMLInputElement | null>(null)

useSlashKey(field)
</script>

<template>
  <header class="head">
    <div>
      <h1 tabindex="-1">{{ title }}</h1>
      <p class="soft">{{ intro }}</p>
    </div>
    <div class="tools"><slot /></div>
    <div v-if="canSearch" class="search">
      <label :for="id">{{ t('prepared.search') }}</label>
      <input
        :id="id"
        ref="field"
        v-model="search"
        class="native"
        type="search"
        :title="t('prepared.searchKey')"
      />
      <label v-if="!isOnlySearch" class="away"
        ><input v-model="isArchived" type="checkbox" />{{ t('prepared.showPutAway') }}</label
      >
    </div>
  </header>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px 24px;
}
p {
  margin: 0;
  max-width: 60ch;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-content: start;
  gap: 8px;
}
.search {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}
.search .native {
  max-width: 320px;
}
.away {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.away input {
  width: 20px;
  height: 20px;
  accent-color: var(--pine);
}
@media (max-width: 600px) {
  .head {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
