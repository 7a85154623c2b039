import type { GateFault, Readings } from '../reading/types.ts'
import type { Cause, Move } from './types.ts'

const CAUSE_OF: Record<GateFault, Cause> = {
  'machine-cold': 'cold',
  'basket-wet': 'wet-or-dirty',
  'wrong-basket': 'wrong-basket',
  'grinder-not-purged': 'not-purged',
  'dose-low': 'dose-low',
  'dose-high': 'dose-high',
  'bed-uneven': 'poor-distribution',
  'tamp-tilted': 'tamp-tilted',
  'tamp-slightly-tilted': 'tamp-tilted',
  'tamp-unsettled': 'tamp-light',
}

/** The cause a gate fault stands for. */
export function causeOfFault(fault: GateFault): Cause {
  return CAUSE_OF[fault]
}

/** The move that mends a gate fault. */
export function mendMove(fault: GateFault, { dose }: Readings): Move {
  switch (fault) {
    case 'machine-cold':
      return { lever: 'heat' }
    case 'basket-wet':
      return { lever: 'dry' }
    case 'wrong-basket':
      return { lever: 'basket' }
    case 'grinder-not-purged':
      return { lever: 'purge' }
    case 'dose-low':
    case 'dose-high':
      return { lever: 'dose', trimG: dose.judged ? -dose.deviation : 0 }
    case 'bed-uneven':
      return { lever: 'distribution' }
    case 'tamp-tilted':
    case 'tamp-slightly-tilted':
      return { lever: 'tamp', how: 'level' }
    case 'tamp-unsettled':
      return { lever: 'tamp', how: 'settle' }
  }
}
