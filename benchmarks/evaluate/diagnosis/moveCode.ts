import type { Move } from '@calm-apron/core'

/** A move as told shots and frozen statements write it, without its size; keeping everything is "leave" either way. */
export function moveCode(move: Move): string {
  switch (move.lever) {
    case 'observe':
      return `observe:${move.observation}`
    case 'grind':
    case 'dose':
    case 'ratio':
    case 'stop':
      return `${move.lever}:${move.direction}`
    case 'tamp':
      return `tamp:${move.how}`
    case 'again':
      return 'leave'
    default:
      return move.lever
  }
}
