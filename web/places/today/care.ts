import type { RouteLocationRaw } from 'vue-router'

/** Something in the house that needs care today, and the place where one sees to it. */
export interface Care {
  key: string
  says: string
  to: RouteLocationRaw
}
