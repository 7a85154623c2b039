import type { Action } from '@calm-apron/contract'
import 'vue-router'

declare module 'vue-router' {
  interface RouteMeta {
    /** Under which word of `place` the page's title stands. */
    place: string
    /** Whether anyone may be here, signed in or not. */
    isOpen?: boolean
    /** Whether it can be shown without knowing the academy's people, recipes and bars. */
    needsNothing?: boolean
    /** The action one must be allowed to anyone's things, to be here. */
    action?: Action
  }
}
