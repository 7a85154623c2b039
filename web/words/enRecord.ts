import type { Heading, Verdict } from '@calm-apron/core'

/** What is said of shots in many places: verdicts, facts, what waits. */
export const enRecord = {
  verdict: {
    under: 'Under-extracted',
    balanced: 'Balanced',
    over: 'Over-extracted',
    uneven: 'Uneven',
    unclear: 'Not enough to tell',
  } satisfies Record<Verdict, string>,
  heading: {
    choked: 'Choked',
    slow: 'Slow',
    'on-time': 'On time',
    fast: 'Fast',
    gushed: 'Gushed',
    under: 'Under-extracted',
    balanced: 'Balanced',
    over: 'Over-extracted',
    uneven: 'Uneven',
    unclear: 'Not enough to tell',
  } satisfies Record<Heading, string>,
  fact: {
    grindSetting: 'Grind setting',
    dose: 'Dose',
    tamp: 'Tamp',
    firstDrop: 'First drop',
    stop: 'Stopped',
    cup: 'Cup',
    abandoned: 'Given up',
    stream: 'Stream',
    puck: 'Puck',
    none: 'none came',
    missed: 'came, not marked',
    unknown: 'unknown',
    weighed: '{gross} − {tare} = {net}',
  },
}
