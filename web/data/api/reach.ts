import { shallowRef } from 'vue'

/** Whether the server answered when it was asked last; null before it was. */
export const isAnswering = shallowRef<boolean | null>(null)
/** When it last did, by this device's clock; 0 where it never did on this page. */
export const answeredAtMs = shallowRef(0)

/** Notes that the server answered, whatever it said, or that nobody did. */
export function noteReach(didAnswer: boolean): void {
  isAnswering.value = didAnswer
  if (didAnswer) answeredAtMs.value = Date.now()
}
