import type { Fault } from '../diagnosis/causes.ts'
import type { Recipe } from '../recipe/recipe.ts'
import type { Seeded } from '../random/seeded.ts'
import { type Surroundings, type Truth, pumpTargetS, settingFor, truthOf } from './truth.ts'
import { EXAMPLE_BENCH, type Bench, type ShotDone } from './types.ts'

/** A bench and a pair of hands before anything goes wrong. */
interface Scene {
  bench: Bench
  done: ShotDone
  around: Surroundings
  /** ln of how far the grind is from right, below 0 too coarse. */
  grindLn: number
}

const REST_DAYS = 5
const USABLE_DAYS = 35

/** What each fault does to the scene; `size` runs from 0, just enough to matter, to 1. */
const PLANT: Record<Fault, (scene: Scene, size: number, seeded: Seeded) => void> = {
  'grind-too-coarse': (scene, size) => {
    scene.grindLn -= 0.2 + 0.5 * size
  },
  'grind-too-fine': (scene, size) => {
    scene.grindLn += 0.2 + 0.6 * size
  },
  'dose-low': ({ done }, size) => {
    done.doseG -= 0.5 + 1.2 * size
  },
  'dose-high': ({ done }, size) => {
    done.doseG += 0.5 + 1.2 * size
  },
  'tamp-tilted': ({ done }, size) => {
    done.tilt = size < 0.15 ? 'slight' : 'clear'
  },
  'tamp-light': ({ done }, size) => {
    done.pressed = 0.5 * (1 - size)
  },
  'tamp-varying': ({ done, around }, size, seeded) => {
    done.pressed = seeded.chance(0.5) ? 2.4 + 2 * size : 0.5 - 0.3 * size
    around.timesScatter = 0.75
  },
  'poor-distribution': ({ done }, size) => {
    done.unevenness = 0.55 + 0.45 * size
  },
  'basket-wet': ({ done }) => {
    done.isBasketDry = false
  },
  dirty: ({ bench, around }, size) => {
    bench.dirt = 0.45 + 0.55 * size
    around.sameAtEveryGrind = 0.4
  },
  'not-purged': (scene, size, seeded) => {
    const shift = (0.35 + 0.6 * size) / (2 * scene.bench.lnDiameterPerUnit)
    scene.done.unpurgedFrom = seeded.chance(0.5) ? shift : -shift
    scene.bench.retentionG = seeded.between(5, 9)
  },
  cold: ({ done, around }, size, seeded) => {
    done.offC = -8 - 6 * size
    around.isFirstOfDay = seeded.chance(0.6)
  },
  'too-hot': ({ bench }, size) => {
    bench.waterC = 96.5 + 3 * size
  },
  'temperature-swing': ({ bench, around }, size, seeded) => {
    // At the top of its cycle or at the bottom: half a minute in the middle evens itself out.
    const phase = (seeded.chance(0.5) ? 0.25 : 0.75) - 0.15
    bench.swing = { amplitudeC: 7 + 3 * size, periodS: seeded.between(80, 120), phase }
    around.alternates = 0.75
  },
  'coffee-too-fresh': ({ bench, around }, size, seeded) => {
    bench.coffee.gas = 0.7 + 0.3 * size
    around.ageDays = Math.floor(seeded.between(0, REST_DAYS - 1 - 2 * size))
  },
  'coffee-stale': ({ bench, around }, size, seeded) => {
    bench.coffee.staleness = 0.45 + 0.5 * size
    bench.coffee.gas = 0.1
    around.ageDays = Math.floor(USABLE_DAYS + seeded.between(4, 30) + 50 * size)
    around.timesFall = 0.55
    around.sameForEveryone = 0.5
  },
  'pre-ground': (scene, size, seeded) => {
    scene.grindLn -= 0.6 + 0.6 * size
    scene.bench.coffee.staleness = 0.5
    scene.bench.coffee.gas = 0.1
    scene.around.isPreGround = true
    scene.around.sameAtEveryGrind = 0.5
    scene.around.ageDays = Math.floor(seeded.between(10, 80))
  },
  'roast-character': ({ bench, around }, size) => {
    bench.coffee.roast = 0.78 + 0.22 * size
    around.sameAtEveryGrind = 0.7
    around.sameForEveryone = 0.5
  },
  'poor-water': ({ bench, around }, size) => {
    bench.poorWater = 0.5 + 0.5 * size
    around.sameAtEveryGrind = 0.7
    around.sameForEveryone = 0.7
  },
  'wrong-basket': ({ done, around }, size, seeded) => {
    done.stopAtG *= seeded.chance(0.6) ? 0.62 - 0.12 * size : 1.55 + 0.35 * size
    around.everyTime = 0.6
    around.thisGroupOnly = 0.4
  },
  'burrs-out-of-range': (scene, size, seeded) => {
    const isStuckBetween = seeded.chance(0.4)
    scene.grindLn += isStuckBetween ? seeded.pick([-0.16, 0.16]) : -0.2 - 0.35 * size
    scene.around.isBetweenSettings = isStuckBetween
    scene.around.isAtFinest = !isStuckBetween
  },
  'stopped-early': ({ done }, size) => {
    done.stopAtG *= 0.88 - 0.13 * size
  },
  'stopped-late': ({ done }, size) => {
    done.stopAtG *= 1.12 + 0.16 * size
  },
  'ratio-short': ({ bench }, size) => {
    bench.coffee.pace = -0.65 - 0.45 * size
  },
  'ratio-long': ({ bench }, size) => {
    bench.coffee.pace = 0.75 + 0.45 * size
  },
}

/**
 * A shot with these faults in it, on a bench of its own, with the small differences between any two shots of careful
 * hands; the grind is otherwise right for the recipe.
 */
export function plantFaults(faults: readonly Fault[], recipe: Recipe, seeded: Seeded): Truth {
  const scene = carefulScene(recipe, seeded)
  const right = settingFor(scene.bench, scene.done, pumpTargetS(recipe))
  scene.done.setting = right
  for (const fault of faults) PLANT[fault](scene, seeded.uniform(), seeded)
  const { bench, done, around, grindLn } = scene
  // The miss of a careful grind is part of every shot's spread.
  const setting = right - (grindLn + seeded.normal(0, 0.035)) / (2 * bench.lnDiameterPerUnit)
  done.unpurgedFrom = done.unpurgedFrom === null ? null : setting + done.unpurgedFrom
  done.setting = setting
  bench.porosity *= 1 + seeded.normal(0, 0.008)
  return truthOf({ recipe, bench, done, around, faults })
}

function carefulScene(recipe: Recipe, seeded: Seeded): Scene {
  const bench: Bench = {
    ...EXAMPLE_BENCH,
    diameterAtZeroUm: 10,
    lnDiameterPerUnit: seeded.between(0.015, 0.06) * (seeded.chance(0.5) ? 1 : -1),
    bend: seeded.between(-0.4, 0.4),
    bendsAt: 0,
    nominalDoseG: recipe.doseG,
    basketAreaCm2: EXAMPLE_BENCH.basketAreaCm2 * (recipe.doseG / EXAMPLE_BENCH.nominalDoseG),
    pump: { ...EXAMPLE_BENCH.pump, maxBar: seeded.between(8.6, 9.8) },
    waterC: seeded.normal(93, 0.5),
    coffee: {
      gas: seeded.between(0.22, 0.38),
      staleness: seeded.between(0, 0.08),
      roast: seeded.between(0.38, 0.55),
      pace: seeded.normal(0, 0.1),
    },
    dirt: seeded.between(0, 0.08),
    poorWater: seeded.between(0, 0.08),
  }
  const done: ShotDone = {
    setting: 0,
    unpurgedFrom: null,
    doseG: recipe.doseG + seeded.normal(0, recipe.doseToleranceG / 3),
    tilt: 'level',
    pressed: seeded.between(0.9, 1.1),
    unevenness: seeded.between(0, 0.15),
    offC: seeded.normal(0, 0.8),
    isBasketDry: true,
    stopAtG: recipe.yieldG + seeded.normal(0, recipe.yieldToleranceG / 3),
    stopAtS: GIVE_UP_S,
  }
  return { bench, done, around: { ...CALM, ageDays: Math.floor(seeded.between(7, 30)) }, grindLn: 0 }
}

/** When anybody gives a shot up, in s. */
const GIVE_UP_S = 65
const CALM: Omit<Surroundings, 'ageDays'> = {
  isFirstOfDay: false,
  isPreGround: false,
  isAtFinest: false,
  isBetweenSettings: false,
  sameAtEveryGrind: 0.06,
  sameForEveryone: 0.1,
  thisGroupOnly: 0.03,
  everyTime: 0.03,
  alternates: 0.04,
  timesScatter: 0.08,
  timesFall: 0.05,
}
