import type { GateFault, Readings } from '../reading/types.ts'
import type { Fault } from './causes.ts'
import type { Move } from './types.ts'

const CAUSE_OF: Record<GateFault, Fault> = {
  'machine-cold': 'cold',
  'basket-wet': 'basket-wet',
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
export function causeOfFault(fault: GateFault): Fault {
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
      return { lever: 'dose', direction: 'more', trimG: dose.judged ? -dose.deviation : null }
    case 'dose-high':
      return { lever: 'dose', direction: 'less', trimG: dose.judged ? -dose.deviation : null }
    case 'bed-uneven':
      return { lever: 'distribution' }
    case 'tamp-tilted':
    case 'tamp-slightly-tilted':
      return { lever: 'tamp', how: 'level' }
    case 'tamp-unsettled':
      return { lever: 'tamp', how: 'settle' }
  }
}
