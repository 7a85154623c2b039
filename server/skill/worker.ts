import type { House } from '../house.ts'
import { workOutAll } from './workOut.ts'

/** So soon after a shot its figures are taken up. */
const LOOK_EVERY_MS = 1000

/** Works out what is behind while the server runs. `stop` resolves once what is in hand is done. */
export function skillWorker(
  house: Pick<House, 'database' | 'now'>,
  onTrouble: (error: unknown) => void,
): { stop: () => Promise<void> } {
  let inHand: Promise<void> | null = null
  const look = () => {
    inHand ??= workOutAll(house)
      .catch(onTrouble)
      .finally(() => (inHand = null))
  }
  const looking = setInterval(look, LOOK_EVERY_MS)
  looking.unref()
  return {
    stop: async () => {
      clearInterval(looking)
      await inHand
    },
  }
}
