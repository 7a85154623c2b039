/** A drink as parts by volume of what is in the cup; any may be 0, not all. */
export interface DrinkRecipe {
  coffee: number
  milk: number
  water: number
  foam: number
}

/** The same parts in ml of one cup. */
export interface DrinkAmounts {
  coffeeMl: number
  milkMl: number
  waterMl: number
  foamMl: number
}

/**
 * What goes into a cup of this size.
 * @example drinkRatios({ coffee: 1, milk: 2, water: 0, foam: 1 }, 160) // => 40, 80, 0, 40 ml
 */
export function drinkRatios({ coffee, milk, water, foam }: DrinkRecipe, cupMl: number): DrinkAmounts {
  const partMl = cupMl / (coffee + milk + water + foam)
  return { coffeeMl: coffee * partMl, milkMl: milk * partMl, waterMl: water * partMl, foamMl: foam * partMl }
}
