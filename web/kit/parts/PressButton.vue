<script setup lang="ts">
/**
 * What is pressed: as high as the place it stands in asks for (`--touch`). While it is busy a press does nothing, and it keeps the
 * focus, so that nobody has to find it again.
 */
const {
  kind = 'plain',
  type = 'button',
  isBusy = false,
} = defineProps<{
  /** `primary`: the next thing to do, one a place. `text` and `link`: beside something larger. */
  kind?: 'plain' | 'primary' | 'text' | 'link'
  type?: 'button' | 'submit'
  isLarge?: boolean
  /** It takes something away. */
  isDanger?: boolean
  isBusy?: boolean
  disabled?: boolean
}>()
const emit = defineEmits<{ click: [event: MouseEvent] }>()

function press(event: MouseEvent): void {
  if (isBusy) event.preventDefault()
  else emit('click', event)
}
</script>

<template>
  <button
    :type="type"
    class="press-button"
    :class="[kind, { large: isLarge, danger: isDanger }]"
    :aria-busy="isBusy || undefined"
    :disabled="disabled"
    @click="press"
  >
    <span v-if="isBusy" class="turning" aria-hidden="true" />
    <slot />
  </button>
</template>

<style scoped>
.press-button {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: center;
  column-gap: 8px;
  min-height: var(--touch);
  padding: 4px 16px;
  font: inherit;
  font-weight: 400;
  line-height: 1.3;
  text-align: center;
  color: var(--ink);
  background: var(--raised);
  border: 1px solid var(--edge);
  border-radius: 6px;
  cursor: pointer;
  touch-action: manipulation;
  transition:
    background-color 0.1s,
    border-color 0.1s;
}
.press-button:hover {
  border-color: var(--pine);
  color: var(--pine);
}
.press-button:active {
  background: var(--pine-soft);
}
.primary,
.primary:hover {
  color: var(--paper);
  background: var(--pine);
  border-color: var(--pine);
}
.primary:hover {
  background: color-mix(in srgb, var(--pine) 86%, var(--ink));
}
.primary:active {
  background: color-mix(in srgb, var(--pine) 70%, var(--ink));
}
.text,
.link,
.text:hover,
.link:hover {
  background: transparent;
  border-color: transparent;
}
.text:hover {
  color: var(--ink);
  background: var(--pine-soft);
}
.link,
.link:hover {
  color: var(--cornflower);
}
.link:hover {
  text-decoration: underline;
}
.danger,
.danger:hover {
  color: var(--plum);
  border-color: var(--plum);
}
.large {
  min-height: calc(var(--touch) + 12px);
  padding-inline: 20px;
  font-size: 1.125em;
  border-radius: 8px;
}
.press-button:disabled {
  color: var(--ink-soft);
  background: var(--mist);
  border-color: var(--mist);
  cursor: not-allowed;
}
.turning {
  width: 1em;
  height: 1em;
  border: 2px solid currentcolor;
  border-right-color: transparent;
  border-radius: 50%;
  animation: turning 0.9s linear infinite;
}
@keyframes turning {
  to {
    transform: rotate(1turn);
  }
}
</style>
