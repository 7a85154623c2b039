import {
  generateColorPalettes as darkShades,
  generateNeutralColorPalettes as darkNeutrals,
} from 'ant-design-vue/es/theme/themes/dark/colors'
import {
  generateColorPalettes as lightShades,
  generateNeutralColorPalettes as lightNeutrals,
} from 'ant-design-vue/es/theme/themes/default/colors'
import genColorMapToken from 'ant-design-vue/es/theme/themes/shared/genColorMapToken'
import genCommonMapToken from 'ant-design-vue/es/theme/themes/shared/genCommonMapToken'
import genControlHeight from 'ant-design-vue/es/theme/themes/shared/genControlHeight'
import genFontMapToken from 'ant-design-vue/es/theme/themes/shared/genFontMapToken'
import genSizeMapToken from 'ant-design-vue/es/theme/themes/shared/genSizeMapToken'
import type { MapToken, SeedToken } from 'ant-design-vue/es/theme/interface'
import type { Tone } from './tokens.ts'

type Shades = Parameters<typeof genColorMapToken>[1]

/**
 * The component library's own rules, less the thirteen preset colours that nothing here wears, and with the shades of a tone
 * worked out once: the bar's larger sizes have the desk's colours. On a slow tablet that is a tenth of a second before the
 * first picture.
 */
function algorithm(shades: Shades) {
  let colours: ReturnType<typeof genColorMapToken> | undefined
  return (seed: SeedToken): MapToken => {
    colours ??= genColorMapToken(seed, shades)
    const derived: Omit<MapToken, PresetShade> = {
      ...seed,
      ...colours,
      ...genFontMapToken(seed.fontSize),
      ...genSizeMapToken(seed),
      ...genControlHeight(seed),
      ...genCommonMapToken(seed),
    }
    // The one thing left out are the preset colours, which the library's type does not know as optional.
    return derived as MapToken
  }
}

type PresetShade = Extract<keyof MapToken, `${string}-${number}`>

export const ALGORITHMS: Record<Tone, ReturnType<typeof algorithm>> = {
  light: algorithm({ generateColorPalettes: lightShades, generateNeutralColorPalettes: lightNeutrals }),
  dark: algorithm({ generateColorPalettes: darkShades, generateNeutralColorPalettes: darkNeutrals }),
}
