import type { AcademyFile, FileThing } from '@calm-apron/contract'
import { demoId } from '../ids.ts'

const MS_PER_DAY = 86_400_000
/** A kilo of beans, less what is purged. */
const SHOTS_A_BAG = 50

/** From which bag of the half-year a shot is pulled, counted from 0. */
export function bagOfShot(index: number): number {
  return Math.floor(index / SHOTS_A_BAG)
}

/** Every bag that was emptied meanwhile: roasted nine days before it was opened, finished with its last shot. */
export function bagsOf(shots: AcademyFile['shots']): FileThing[] {
  const ids = [...new Set(shots.flatMap(({ bagId }) => bagId ?? []))]
  return ids.map((bagId, index): FileThing => {
    const its = shots.filter((shot) => shot.bagId === bagId).map(({ pulledAt }) => Date.parse(pulledAt))
    const date = (ms: number) => new Date(ms).toISOString().slice(0, 10)
    const openedMs = Math.min(...its)
    return {
      preparedId: bagId,
      thing: {
        kind: 'bag',
        parentId: demoId('coffee', 1),
        content: {
          name: `Bag ${index + 101}`,
          roastedOn: date(openedMs - 9 * MS_PER_DAY),
          bestBefore: null,
          openedOn: date(openedMs),
          finishedOn: date(Math.max(...its)),
          keptIn: 'hopper',
          frozenOn: null,
          thawedOn: null,
          bagG: 1000,
          weighed: null,
        },
      },
    }
  })
}
