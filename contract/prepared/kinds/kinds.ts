import type { z } from 'zod'
import { bag } from './bag.ts'
import { bar } from './bar.ts'
import { basket } from './basket.ts'
import { caution } from './caution.ts'
import { coffee } from './coffee.ts'
import { grinder } from './grinder.ts'
import { machine } from './machine.ts'
import { programme } from './programme.ts'
import { recipe } from './recipe.ts'
import { routine } from './routine.ts'
import { scale } from './scale.ts'
import { tool } from './tool.ts'
import { vessel } from './vessel.ts'
import { water } from './water.ts'

/**
 * Every kind of thing that a trainer prepares. A new kind is a file beside these and a line here; with its words and, where
 * it has a place of its own, a view, that is all there is to it.
 */
export const KINDS = {
  recipe,
  coffee,
  bag,
  bar,
  machine,
  grinder,
  basket,
  vessel,
  tool,
  scale,
  water,
  routine,
  caution,
  programme,
} as const

export type PreparedKind = keyof typeof KINDS
/** All that is said of a thing of one kind. */
export type PreparedContent<K extends PreparedKind = PreparedKind> = z.infer<(typeof KINDS)[K]['content']>

/** Kinds that belong to a room, of each of which it holds any number. */
export type RoomKind = {
  [K in PreparedKind]: (typeof KINDS)[K]['parent'] extends 'bar' ? K : never
}[PreparedKind]
