import { type Diagnosis, diagnose } from '@calm-apron/core'
import { type ToldAtBar, readAtBar } from './atTheBar.ts'
import { moveCode } from './moveCode.ts'
import { namedScore, wilson } from './score.ts'
import { STORIES } from './stories.ts'
import { readTold } from './told.ts'
import { HELD_SHOTS, OPEN_SHOTS } from './toldHalves.ts'

interface Scored {
  told: ToldAtBar
  said: Diagnosis
  cause: number
  heading: number
  move: number
}

function scored(told: ToldAtBar): Scored {
  const said = diagnose(readAtBar(told), { setting: null, grinder: null })
  const code = moveCode(said.move)
  const isAccepted = told.move.some((each) => each === code || code.startsWith(`${each}:`))
  return {
    told,
    said,
    cause: namedScore(told.was, said),
    heading: Number(told.heading.includes(said.heading)),
    move: Number(isAccepted),
  }
}

/**
 * Prints how right what is said is of shots as trainers tell them: cause named, heading and move, each half with its
 * interval.
 * @param showsHeld whether the misses of the held half are told too: only once the judgement is done
 */
export function reportTold(showsHeld: boolean): void {
  console.log('\nShots as trainers tell them, entered as the bar can; two causes named count half')
  half('open half', OPEN_SHOTS, true)
  half('held half', HELD_SHOTS, showsHeld)
  earlier()
}

function half(name: string, shots: readonly ToldAtBar[], isShown: boolean): void {
  const all = shots.map(scored)
  const n = all.length
  const of = (part: 'cause' | 'heading' | 'move') => {
    const right = all.reduce((sum, each) => sum + each[part], 0)
    const [from, to] = wilson(right, n)
    return `${part} ${((100 * right) / n).toFixed(1)} % (${(100 * from).toFixed(0)}–${(100 * to).toFixed(0)})`
  }
  console.log(`  ${name}, ${n} shots: ${of('cause')}, ${of('heading')}, ${of('move')}`)
  if (!isShown) return
  for (const { told, said, cause, heading, move } of all) {
    if (cause === 1 && heading === 1 && move === 1) continue
    console.log(
      `    ${told.story}\n      wanted ${told.was.join(' or ')} · ${told.heading.join(' or ')} · ${told.move.join(' or ')}; said ${said.named.causes.join(' / ')} · ${said.heading} · ${moveCode(said.move)}`,
    )
  }
}

/** The first told shots, some of them with signs that no field takes yet: by the cause alone. */
function earlier(): void {
  const right = STORIES.reduce(
    (sum, told) => sum + namedScore(told.was, diagnose(readTold(told), { setting: null, grinder: null })),
    0,
  )
  const [from, to] = wilson(right, STORIES.length)
  console.log(
    `  ${STORIES.length} told before, with signs that no field takes: cause ${((100 * right) / STORIES.length).toFixed(1)} % (${(100 * from).toFixed(0)}–${(100 * to).toFixed(0)})`,
  )
}
