import { ref } from 'vue'
import type { BarDevice } from './barDevice.ts'

/** Nothing measures by itself: every number is typed, and every mark tapped. */
export function byHand(): BarDevice {
  return {
    state: ref('none'),
    name: ref(''),
    trouble: ref(null),
    pace: ref(1),
    isStandIn: ref(false),
    last: ref({}),
    hear: () => () => undefined,
    order: () => undefined,
    close: () => undefined,
  }
}
