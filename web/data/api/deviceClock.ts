import { shallowRef } from 'vue'

/** Off by less, a clock is as good as any; more is told, since shots bear its times. */
const TELL_FROM_S = 120

/** By how many seconds this device's clock is ahead of the server's (behind: below 0), where that is worth telling; else 0. */
export const clockAheadS = shallowRef(0)

/** Compares the clocks by an answer's own date. */
export function compareClocks(answer: Pick<Response, 'headers'>, now: Date): void {
  const told = Date.parse(answer.headers.get('Date') ?? '')
  if (Number.isNaN(told)) return
  const aheadS = Math.round((now.getTime() - told) / 1000)
  clockAheadS.value = Math.abs(aheadS) >= TELL_FROM_S ? aheadS : 0
}
