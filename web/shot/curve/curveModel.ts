import { type Recipe, type ShotSample, flowNow, usualFirstDropS } from '@calm-apron/core'

const [WIDTH, HEIGHT, FLOOR] = [560, 240, 216]
/** The flow's own scale: this many g/s at the top. */
const FULL_FLOW_G_PER_S = 5
const TICK_S = 5

export interface CurveInput {
  recipe: Recipe
  firstDropS: number | null
  releaseS: number | null
  stopS: number | null
  nowS: number
  weights: readonly ShotSample[]
  ghost: readonly ShotSample[]
  finish: ShotSample | null
}

/** Everything of the curve in the drawing's own units; time runs to the right in s from pump start. */
export function curveModel({
  recipe,
  firstDropS,
  releaseS,
  stopS,
  nowS,
  weights,
  ghost,
  finish,
}: CurveInput) {
  const zeroS = windowZeroS(recipe, firstDropS, releaseS)
  const endS = Math.max(recipe.timeMaxS + zeroS + 6, nowS + 3, weights.at(-1)?.timeS ?? 0)
  const topG = Math.max(recipe.yieldG * 1.25, (weights.at(-1)?.weightG ?? 0) * 1.05)
  const x = (s: number) => round((s / endS) * WIDTH)
  const y = (g: number) => round(FLOOR - (Math.max(0, g) / topG) * FLOOR)
  const yFlow = (flow: number) =>
    round(FLOOR - (Math.min(FULL_FLOW_G_PER_S, Math.max(0, flow)) / FULL_FLOW_G_PER_S) * FLOOR)
  const pathOf = (samples: readonly ShotSample[]) =>
    samples.map(({ timeS, weightG }, at) => `${at === 0 ? 'M' : 'L'}${x(timeS)} ${y(weightG)}`).join('')
  const last = weights.at(-1)
  const highG = recipe.yieldG + recipe.yieldToleranceG
  const lowG = recipe.yieldG - recipe.yieldToleranceG
  return {
    width: WIDTH,
    height: HEIGHT,
    floor: FLOOR,
    ticks: Array.from({ length: Math.floor(endS / TICK_S) }, (_, at) => ({
      at: (at + 1) * TICK_S,
      x: x((at + 1) * TICK_S),
    })),
    box: {
      x: x(recipe.timeMinS + zeroS),
      y: y(highG),
      width: x(recipe.timeMaxS + zeroS) - x(recipe.timeMinS + zeroS),
      height: Math.max(12, y(lowG) - y(highG)),
    },
    path: pathOf(weights),
    ghostPath: pathOf(ghost.filter(({ timeS }) => timeS <= endS)),
    flow: flowLine(weights, x, yFlow),
    finishPath: finish && last ? pathOf([last, finish]) : '',
    marks: [
      ...(firstDropS === null ? [] : [{ kind: 'firstDrop' as const, x: x(firstDropS) }]),
      ...(stopS === null ? [] : [{ kind: 'stop' as const, x: x(stopS) }]),
    ],
  }
}

/** Where the recipe's clock is 0, in s from pump start; before it is marked, where it usually is. */
function windowZeroS(recipe: Recipe, firstDropS: number | null, releaseS: number | null): number {
  if (recipe.clock === 'pump') return 0
  return (recipe.clock === 'drop' ? firstDropS : releaseS) ?? usualFirstDropS(recipe)
}

/** Drawn at every fifth sample: a flow over two seconds changes no faster. `end` is where its word stands. */
function flowLine(
  weights: readonly ShotSample[],
  x: (s: number) => number,
  y: (flow: number) => number,
): { path: string; end: { x: number; y: number } | null } {
  const points: { x: number; y: number }[] = []
  for (let at = 5; at < weights.length; at += 5) {
    const flow = flowNow(weights.slice(Math.max(0, at - 30), at + 1))
    const here = weights[at]
    if (flow !== null && here) points.push({ x: x(here.timeS), y: y(flow) })
  }
  const path = points.map((point, at) => `${at === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join('')
  return { path, end: points.at(-1) ?? null }
}

function round(value: number): number {
  return Math.round(value * 10) / 10
}
