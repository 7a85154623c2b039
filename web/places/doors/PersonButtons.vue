<script setup lang="ts">
/** People to choose from, each a large button with a word below the name. */
defineProps<{ people: readonly { id: string; name: string; note: string; says: string }[] }>()
const emit = defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <ul class="people">
    <li v-for="person in people" :key="person.id">
      <button type="button" class="person" :aria-label="person.says" @click="emit('choose', person.id)">
        <strong>{{ person.name }}</strong>
        <span class="soft">{{ person.note }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.people {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 12px;
}
.person {
  width: 100%;
  min-height: 64px;
  padding: 8px 16px;
  display: grid;
  align-content: center;
  text-align: left;
  font: inherit;
  line-height: 1.25;
  color: inherit;
  background: var(--raised);
  border: 2px solid var(--edge);
  border-radius: 8px;
  cursor: pointer;
}
.person:hover {
  border-color: var(--pine);
}
</style>
