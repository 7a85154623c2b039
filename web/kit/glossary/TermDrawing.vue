<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import type { DrawingName } from './terms.ts'

/** Our own drawings of parts, tamps, streams and pucks; seen from the side unless the words say otherwise. */
defineProps<{ name: DrawingName }>()
const { t } = useI18n()
</script>

<template>
  <figure class="drawing">
    <svg viewBox="0 0 120 90" aria-hidden="true">
      <template v-if="name === 'portafilter'">
        <path d="M20 26h46v14q0 12-14 12H34q-14 0-14-12z" class="metal" />
        <path d="M66 32h44q6 0 6 6t-6 6H66z" class="handle" />
        <path d="M36 52v10l-8 12M50 52v10l8 12" class="line" />
      </template>
      <template v-else-if="name === 'group'">
        <path d="M14 8h92v18H14z" class="metal" />
        <path d="M30 26h60v8H30z" class="metal" />
        <path d="M36 36h48" class="screen" />
        <path d="M34 46h52l-5 26H39z" class="basket" />
        <path d="M37 56h46l-3 14H40z" class="coffee" />
      </template>
      <template v-else-if="name === 'basket'">
        <path d="M24 20h72l-7 48H31z" class="basket" />
        <path d="M27 38h66" class="dashes" />
        <path d="M40 76h4m6 0h4m6 0h4m6 0h4m6 0h4" class="line" />
      </template>
      <template v-else-if="name === 'tamp-level' || name === 'tamp-tilted'">
        <path d="M24 34h72l-6 46H30z" class="basket" />
        <path v-if="name === 'tamp-level'" d="M27 52h66l-4 26H31z" class="coffee" />
        <path v-else d="M26 44l68 16-4 18H31z" class="coffee" />
        <g :transform="name === 'tamp-tilted' ? 'rotate(13 60 44)' : undefined">
          <path d="M30 42h60v8H30zM54 12h12v30H54z" class="handle" />
        </g>
      </template>
      <template v-else-if="name.startsWith('flow-')">
        <path d="M28 10h64l-6 22H34z" class="basket" />
        <path v-if="name === 'flow-even'" d="M42 32q16 20 17 46h3q1-26 17-46z" class="coffee" />
        <template v-else-if="name === 'flow-spurting'">
          <path d="M52 32q7 18 8 46h2q0-28 6-46z" class="coffee" />
          <path d="M46 34L24 52M78 34l24 12M44 38l-8 26" class="spurt" />
        </template>
        <path v-else-if="name === 'flow-one-sided'" d="M70 32q10 16 12 46h3q1-30 0-46z" class="coffee" />
        <template v-else>
          <circle cx="50" cy="44" r="4" class="coffee" />
          <circle cx="70" cy="56" r="4" class="coffee" />
          <circle cx="52" cy="72" r="4" class="coffee" />
        </template>
      </template>
      <template v-else-if="name.startsWith('puck-')">
        <circle cx="60" cy="45" r="36" class="coffee" />
        <template v-if="name === 'puck-holes'">
          <circle cx="48" cy="34" r="5" class="hole" />
          <circle cx="72" cy="54" r="4" class="hole" />
          <circle cx="52" cy="62" r="3" class="hole" />
        </template>
        <path v-else-if="name === 'puck-thin-side'" d="M60 9a36 36 0 0 1 0 72q18-36 0-72z" class="thin" />
      </template>
      <template v-else>
        <path d="M30 14h60" class="screen" />
        <path d="M26 18h68l-6 58H32z" class="basket" />
        <path d="M29 40h62l-4 34H33z" class="coffee" />
        <path d="M104 18v22m-4-4l4 4 4-4m-8-14l4-4 4 4" class="line" />
      </template>
    </svg>
    <figcaption>{{ t(`drawing.${name}`) }}</figcaption>
  </figure>
</template>

<style scoped>
.drawing {
  margin: 0;
  width: 132px;
}
svg {
  width: 120px;
  display: block;
}
figcaption {
  font-size: 0.875rem;
  line-height: 1.25;
}
.metal {
  fill: var(--mist);
  stroke: var(--ink);
  stroke-width: 2;
}
.basket {
  fill: var(--raised);
  stroke: var(--ink);
  stroke-width: 2;
}
.handle {
  fill: var(--edge);
  stroke: var(--ink);
  stroke-width: 2;
}
.coffee {
  fill: var(--ochre);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.thin {
  fill: var(--ochre-soft);
  stroke: var(--ink);
}
.hole {
  fill: var(--paper);
  stroke: var(--ink);
}
.line,
.spurt,
.screen,
.dashes {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.spurt {
  stroke: var(--ochre);
}
.screen {
  stroke-dasharray: 4 3;
}
.dashes {
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
</style>
