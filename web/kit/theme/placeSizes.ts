import { type InjectionKey, provide } from 'vue'
import type { SIZES } from './tokens.ts'

/** Which sizes what stands within a component has. */
export const PLACE: InjectionKey<keyof typeof SIZES> = Symbol('the sizes of a place')

/** All within the component that calls it has the sizes of a place. */
export function provideSizes(place: keyof typeof SIZES): void {
  provide(PLACE, place)
}
