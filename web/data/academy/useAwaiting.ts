import { computed } from 'vue'
import { awaitingOver } from '../queries/laidOver.ts'
import { useOutbox } from '../outbox/outbox.ts'
import { useAcademy } from './academy.ts'

/** Shots whose reading waits for a call, with those recorded and without those called here since. */
export function useAwaiting() {
  const academy = useAcademy()
  const outbox = useOutbox()
  return computed(() => awaitingOver(academy.today?.awaiting ?? [], outbox.since(academy.toldAtMs)))
}
