import { Refusal } from '../refusal.ts'

/** What whoever sent a record is told that was kept aside. */
export function setAside(): Refusal {
  return new Refusal(
    'set-aside',
    'The account it was entered under has ended, or the assessment has closed. It is kept on the server for the head to decide.',
  )
}
