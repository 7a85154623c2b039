import { usePreferredDark, usePreferredReducedMotion } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { usePreferences } from '../preferences.ts'
import { ALGORITHMS } from './algorithms.ts'
import { FIGURE_FONT, PALETTES, type Palette, SIZES, TEXT_FONT, type Tone } from './tokens.ts'

/** `inkSoft` → `--ink-soft` */
function cssName(token: string): string {
  return `--${token.replaceAll(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`
}

function antToken(palette: Palette, size: { text: number; touch: number }) {
  return {
    colorPrimary: palette.pine,
    colorInfo: palette.cornflower,
    colorLink: palette.cornflower,
    colorSuccess: palette.pine,
    colorWarning: palette.ochre,
    colorError: palette.plum,
    colorBgBase: palette.paper,
    colorBgContainer: palette.raised,
    colorBgElevated: palette.raised,
    colorTextBase: palette.ink,
    colorTextPlaceholder: palette.inkSoft,
    colorTextLightSolid: palette.paper,
    colorBorder: palette.edge,
    fontFamily: TEXT_FONT,
    fontSize: size.text,
    controlHeight: size.touch,
    borderRadius: 6,
  }
}

/** The tone chosen, or the device's own. */
function useTone() {
  const preferences = usePreferences()
  const prefersDark = usePreferredDark()
  return computed<Tone>(() => {
    if (preferences.tone !== 'device') return preferences.tone
    return prefersDark.value ? 'dark' : 'light'
  })
}

/** The component library's tokens for a place: a desk, or the bar with its larger sizes. */
export function useTheme(place: keyof typeof SIZES) {
  const tone = useTone()
  const prefersMotion = usePreferredReducedMotion()
  return computed(() => ({
    algorithm: ALGORITHMS[tone.value],
    token: { ...antToken(PALETTES[tone.value], SIZES[place]), motion: prefersMotion.value !== 'reduce' },
  }))
}

/** The chosen tone's colours for what is drawn on a canvas, where no CSS variable reaches. */
export function useChartColours() {
  const tone = useTone()
  return computed<Palette>(() => PALETTES[tone.value])
}

/** Keeps the page's CSS variables on the chosen tone. */
export function applyPalette(): void {
  const tone = useTone()
  watchEffect(() => {
    const { style } = document.documentElement
    for (const [token, colour] of Object.entries(PALETTES[tone.value]))
      style.setProperty(cssName(token), colour)
    style.setProperty('--text-font', TEXT_FONT)
    style.setProperty('--figure-font', FIGURE_FONT)
    style.setProperty('color-scheme', tone.value)
  })
}
