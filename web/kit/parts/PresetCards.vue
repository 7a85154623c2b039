<script setup lang="ts" generic="K extends string">
/** Ways to begin, each on a card; tapping one begins. */
defineProps<{ presets: readonly { key: K; name: string; says: string; details?: readonly string[] }[] }>()
const emit = defineEmits<{ choose: [key: K] }>()
</script>

<template>
  <ul class="presets">
    <li v-for="preset in presets" :key="preset.key">
      <button type="button" class="preset" @click="emit('choose', preset.key)">
        <strong>{{ preset.name }}</strong>
        <span>{{ preset.says }}</span>
        <span v-for="detail in preset.details" :key="detail" class="soft">{{ detail }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.presets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 12px;
}
.preset {
  display: grid;
  gap: 4px;
  width: 100%;
  height: 100%;
  padding: 12px 16px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--raised);
  border: 2px solid var(--edge);
  border-radius: 8px;
  cursor: pointer;
  align-content: start;
}
.preset:hover {
  border-color: var(--pine);
}
</style>
