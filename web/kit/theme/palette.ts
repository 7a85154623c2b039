import { usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { usePreferences } from '../preferences.ts'
import { FIGURE_FONT, PALETTES, type Palette, SIZES, TEXT_FONT, type Tone } from './tokens.ts'

/** `inkSoft` → `--ink-soft` */
function cssName(token: string): string {
  return `--${token.replaceAll(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`
}

/** The tone chosen, or the device's own. */
export function useTone() {
  const preferences = usePreferences()
  const prefersDark = usePreferredDark()
  return computed<Tone>(() => {
    if (preferences.tone !== 'device') return preferences.tone
    return prefersDark.value ? 'dark' : 'light'
  })
}

/** The chosen tone's colours for what is drawn on a canvas, where no CSS variable reaches. */
export function useChartColours() {
  const tone = useTone()
  return computed<Palette>(() => PALETTES[tone.value])
}

/** An axis of a chart with its name, as every chart draws them. */
export function useChartAxis() {
  const colours = useChartColours()
  return (text: string) => ({
    title: { display: true, text, color: colours.value.ink },
    ticks: { color: colours.value.ink },
    grid: { color: colours.value.mist },
  })
}

/** Keeps the page's CSS variables on the chosen tone. */
export function applyPalette(): void {
  const tone = useTone()
  watchEffect(() => {
    const { style } = document.documentElement
    for (const [token, colour] of Object.entries(PALETTES[tone.value]))
      style.setProperty(cssName(token), colour)
    style.setProperty('--touch', `${SIZES.desk.touch}px`)
    style.setProperty('--text-font', TEXT_FONT)
    style.setProperty('--figure-font', FIGURE_FONT)
    style.setProperty('color-scheme', tone.value)
  })
}
