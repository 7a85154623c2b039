import type { CALL_STAGES } from '@calm-apron/contract'
import type { CausePlace, GrindDirection } from '@calm-apron/core'

/** Words of calls and slips. */
export const tastingWords = {
  call: {
    title: 'Said before the reading',
    what: 'What is it?',
    why: 'Why?',
    noCause: 'Can’t say why',
    usual: 'Most often',
    place: {
      grind: 'The grind',
      dose: 'The dose',
      bed: 'Bed and tamp',
      machine: 'The machine',
      coffee: 'The coffee',
      stopping: 'Stopping',
    } satisfies Record<CausePlace, string>,
    next: 'What next with the grind?',
    none: 'no call',
    score: 'Call',
    scoreOf: '{share} of the marks',
    claimed: '{person} has not confirmed this call.',
    stage: { first: 'First call', final: 'Final call' } satisfies Record<
      (typeof CALL_STAGES)[number],
      string
    >,
    move: { finer: 'Finer', coarser: 'Coarser', hold: 'Hold it' } satisfies Record<GrindDirection, string>,
  },
  slip: {
    keep: 'Keep my note',
    both: 'Both tasting notes',
    axis: 'Taste',
    late: '{person}’s note was written before the notes opened, but arrived after: it does not count as blind.',
    notBlind: '{person}’s note is of after the notes were open: it does not count as blind.',
    claimed: '{person} has not confirmed this note.',
    takenDown: '{person}’s note was entered on {holder}’s tablet.',
  },
  tasting: {
    first: '{person}: by eye alone, what is it?',
    firstHint: 'Before anyone tastes. It is kept as it was said.',
    keepFirst: 'Keep the call',
    skipFirst: 'No call by eye this time',
    slips: 'Both taste, neither sees the other’s note',
    slipsHint: 'Stir, let it cool a little. Hand the tablet on for each note.',
    inSetHint: 'For their own call. Those who assess taste the cup by the digits on it.',
    slipOf: '{person}’s tasting note',
    ownSlip: 'Your tasting note',
    trainerSide: 'Trainer',
    side: { waiting: 'not yet', in: 'kept', skipped: 'skipped' },
    handTo: 'Hand it to {person}',
    fillOwn: 'Fill mine',
    skip: 'Skip',
    wait: 'Kept. The other note is still out.',
    waitHint: 'This goes on by itself once it is in.',
    final: '{person}: the last word before the reading',
    finalHint: 'You have seen and tasted it: what is it, why, and what next?',
    finalByEye: 'You have seen it run: what is it, why, and what next?',
    keepFinal: 'Keep it and open the reading',
    skipFinal: 'Open the reading without a call',
  },
}
