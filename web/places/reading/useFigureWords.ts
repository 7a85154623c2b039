import {
  type Change,
  type Recipe,
  type ShotFacts,
  USUAL_EXTRACTION,
  brewRatio,
  colourShares,
  coloursSay,
  extractionPercent,
  firstDropSays,
  netG,
  weighedDoseG,
} from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What the figures of a shot are made of. */
interface Figured {
  facts: ShotFacts
  recipe: Recipe
  timeS: number | null
  changed: readonly Change[] | null
}

/** The figures beside a reading as sentences: ratio, flow, and what was expected against what came. */
export function useFigureWords() {
  const { t } = useI18n()
  const format = useFormat()

  function ofMasses({ facts, recipe }: Figured): (string | null)[] {
    const [doseG, cupG] = [weighedDoseG(facts), netG(facts.cup)]
    if (cupG === null) return []
    const { clock, noted } = facts
    const flowingS = clock?.firstDropS == null ? 0 : clock.stopS - clock.firstDropS
    const tdsPercent = noted?.tdsPercent ?? null
    const isWeighed = doseG !== null && doseG > 0
    const target = format.ratio(brewRatio(recipe.doseG, recipe.yieldG))
    return [
      isWeighed ? t('figures.ratio', { ratio: format.ratio(brewRatio(doseG, cupG)), target }) : null,
      flowingS > 0 ? t('figures.flow', { flow: format.flow(cupG / flowingS, true) }) : null,
      isWeighed && tdsPercent !== null ? extracted({ tdsPercent, cupG, doseG }) : null,
    ]
  }

  function extracted(of: { tdsPercent: number; cupG: number; doseG: number }): string {
    const percent = extractionPercent(of)
    const { min, max } = USUAL_EXTRACTION
    const says = percent < min ? 'low' : percent > max ? 'high' : 'usual'
    return t('figures.extraction', {
      percent: format.percent(percent / 100),
      says: t(`figures.extracted.${says}`, { min, max }),
    })
  }

  function ofStream({ facts: { clock, noted }, recipe }: Figured): (string | null)[] {
    const at = clock?.estimated === false ? clock.firstDropS : null
    const colours = colourShares(noted?.marks ?? [], clock)
    return [
      at !== null && at > 0
        ? t('figures.firstDrop', {
            at: format.seconds(at),
            says: t(`figures.drop.${firstDropSays(at, recipe)}`),
          })
        : null,
      colours === null
        ? null
        : t('figures.colours', {
            dark: format.percent(colours.dark),
            golden: format.percent(colours.golden),
            pale: format.percent(colours.pale),
            says: t(`figures.colour.${coloursSay(colours)}`),
          }),
    ]
  }

  /** A time that was foretold, and by how much it missed. */
  function foretold(by: 'byPerson' | 'byTool', s: number | null | undefined, timeS: number | null) {
    if (s == null) return null
    const miss = timeS === null ? '' : `, ${t('figures.miss', { miss: format.seconds(Math.abs(timeS - s)) })}`
    return t(`figures.${by}`, { s: format.seconds(s) }) + miss
  }

  return (figured: Figured): string[] => {
    const { noted } = figured.facts
    const { timeS, changed } = figured
    const cupsG = noted?.cupsG ?? null
    const what = (changed ?? []).map((each) => t(`changed.${each}`)).join(', ')
    return [
      ...ofMasses(figured),
      ...ofStream(figured),
      foretold('byPerson', noted?.predicted?.byPersonS, timeS),
      foretold('byTool', noted?.predicted?.byToolS, timeS),
      cupsG === null ? null : t('figures.apart', { amount: format.massApart(cupsG[0] - cupsG[1]) }),
      what === '' ? null : t('figures.changed', { what }),
      noted?.selfRating == null ? null : t('figures.self', { n: noted.selfRating }),
    ].filter((each) => each !== null)
  }
}
