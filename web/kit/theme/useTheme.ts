import { usePreferredReducedMotion } from '@vueuse/core'
import { computed, inject } from 'vue'
import { ALGORITHMS } from './algorithms.ts'
import { useTone } from './palette.ts'
import { PLACE } from './placeSizes.ts'
import { PALETTES, type Palette, SIZES, TEXT_FONT } from './tokens.ts'

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

/** The component library's tokens for the place they are asked at: a desk, or the bar with its larger sizes. */
export function useTheme() {
  const tone = useTone()
  const place = inject(PLACE, 'desk')
  const prefersMotion = usePreferredReducedMotion()
  return computed(() => ({
    algorithm: ALGORITHMS[tone.value],
    token: { ...antToken(PALETTES[tone.value], SIZES[place]), motion: prefersMotion.value !== 'reduce' },
  }))
}
