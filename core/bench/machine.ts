import { REFERENCE_C, viscosityPaS } from './physics.ts'
import type { Bench, ShotDone } from './types.ts'

/** Extraction slows by about a third in 10 °C (Arrhenius with some 40 kJ/mol, usual for diffusion out of plant tissue). */
const RATE_PER_C = 0.04

/** What the machine does at one moment of a shot. */
export interface MachineNow {
  /** Pressure at no flow. */
  maxBar: number
  viscosityPaS: number
  /** Rate of extraction, 1 at 93 °C. */
  rateFactor: number
}

/**
 * The machine over one shot: pre-infusion, then the climb to full pressure; a lever's spring presses less the more of
 * its stroke is done; a thermostat's swing goes on.
 */
export function machineOf(bench: Bench, { offC }: ShotDone, stepS: number) {
  const heatAt = (celsius: number) => ({
    viscosityPaS: viscosityPaS(celsius),
    rateFactor: Math.exp(RATE_PER_C * (celsius - REFERENCE_C)),
  })
  const meanC = bench.waterC + offC
  const steady = heatAt(meanC)
  const { swing, spring, preinfusionS, preinfusionBar, rampS, pump } = bench

  function heatNow(timeS: number) {
    if (swing === null) return steady
    return heatAt(meanC + swing.amplitudeC * Math.sin(2 * Math.PI * (timeS / swing.periodS + swing.phase)))
  }

  return (timeS: number, waterG: number): MachineNow => {
    if (timeS < preinfusionS) return { maxBar: preinfusionBar, ...heatNow(timeS) }
    const climb = Math.min(1, (timeS - preinfusionS + stepS) / rampS)
    const fullBar =
      spring === null
        ? pump.maxBar
        : Math.max(
            spring.endBar,
            spring.startBar - ((spring.startBar - spring.endBar) * waterG) / spring.strokeG,
          )
    // It climbs from what it was held at.
    const fromBar = preinfusionS > 0 ? preinfusionBar : 0
    return { maxBar: fromBar + (fullBar - fromBar) * climb, ...heatNow(timeS) }
  }
}
