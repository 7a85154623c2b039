<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import ListHead from '../../kit/parts/ListHead.vue'
import TermDrawing from '../../kit/glossary/TermDrawing.vue'
import { DRAWINGS_OF, TERMS } from '../../kit/glossary/terms.ts'

/** The words of the craft, with drawings of our own. */
const { t } = useI18n()
const route = useRoute()
const search = ref('')

const rows = computed(() => {
  const wanted = search.value.trim().toLowerCase()
  return TERMS.map((term) => ({
    term,
    name: t(`term.${term}`),
    says: t(`glossary.says.${term}`),
    drawings: DRAWINGS_OF[term] ?? [],
  })).filter(({ name, says }) => `${name} ${says}`.toLowerCase().includes(wanted))
})

onMounted(async () => {
  await nextTick()
  document.getElementById(route.hash.slice(1))?.scrollIntoView({ block: 'center' })
})
</script>

<template>
  <div class="stack">
    <ListHead
      v-model:search="search"
      can-search
      is-only-search
      :title="t('prepare.words')"
      :intro="t('glossary.intro')"
    />
    <p v-if="rows.length === 0">{{ t('prepared.nothingFound', { search }) }}</p>
    <ul>
      <li v-for="row in rows" :id="row.term" :key="row.term" class="row">
        <div>
          <h2>{{ row.name }}</h2>
          <p>{{ row.says }}</p>
        </div>
        <div class="drawings"><TermDrawing v-for="name in row.drawings" :key="name" :name="name" /></div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 16px;
  padding: 12px 0;
  border-bottom: 1px solid var(--mist);
}
.row:target {
  background: var(--pine-soft);
}
h2 {
  margin: 0;
  font-size: 1.125rem;
}
p {
  margin: 0;
  max-width: 60ch;
}
.drawings {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
@media (max-width: 700px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
