import type { Kept } from '../http/once.ts'
import { Refusal } from '../refusal.ts'

/** What was made now or by the same request before; or set aside, for the head to decide. */
export type Recorded<T> = Kept<T> | 'set-aside'

/** What came of making something that may have been set aside instead. */
export function orSetAside<T extends object>({ created, record }: Kept<T | 'set-aside'>): Recorded<T> {
  return record === 'set-aside' ? record : { created, record }
}

/** What whoever sent it is told; of what was set aside once that is kept. */
export function told<T>(recorded: Recorded<T>) {
  return recorded === 'set-aside'
    ? { afterwards: setAside() }
    : { created: recorded.created, answer: recorded.record }
}

function setAside(): Refusal {
  return new Refusal(
    'set-aside',
    'The account it was entered under has ended, or the assessment has closed. It is kept on the server for the head to decide.',
  )
}
