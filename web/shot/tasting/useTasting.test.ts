import type { Tasting } from '@calm-apron/contract'
import { taste } from '@calm-apron/core/testing'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  refusal,
  sessionOf,
  settled,
} from '../../testing/device.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { NOTHING } from '../../data/queries/laidOver.ts'
import { useTasting } from './useTasting.ts'

const SHOT = '019a5c00-0000-700a-8000-000000000001'
const OTHER = '019a5c00-0000-700a-8000-000000000002'
const BALANCED = { verdict: 'balanced', cause: null, move: 'hold' } as const

/** A trainer's tablet before a shot, with a server that tells this of it and takes nothing yet. */
async function tabletWith(told: Tasting | null) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /shots/*/tasting': () => (told === null ? refusal('not-found', 404) : { body: told }),
  })
  const { result: tasting, end } = await inSetup(() =>
    useTasting(
      () => SHOT,
      () => false,
    ),
  )
  await useDoor().load()
  await settled()
  return { ...device, tasting, end }
}

test('a shot that the server does not know yet has been looked for, and nobody has said anything', async () => {
  const { tasting, end } = await tabletWith(null)
  expect(tasting.isLooked.value).toBe(true)
  expect(tasting.view.value).toEqual(NOTHING)
  end()
})

test('a slip is not shown before the other one is in, on the tablet where it was filled either', async () => {
  const { tasting, end } = await tabletWith(null)
  await tasting.fillSlip('trainee', IDA, taste(6, 4, 3))
  expect(tasting.view.value.sides).toEqual({ trainee: 'in', trainer: 'waiting' })
  expect([tasting.view.value.isOpen, tasting.view.value.slips]).toEqual([false, []])
  await tasting.fillSlip('trainer', ODALYS, taste(3, 6, 3))
  expect(tasting.view.value.isOpen).toBe(true)
  expect(
    tasting.view.value.slips.map(({ side, filledBy, taste: said }) => [side, filledBy, said?.sour]),
  ).toEqual([
    ['trainee', IDA, 6],
    ['trainer', ODALYS, 3],
  ])
  end()
})

test('a skipped side opens the other’s slip', async () => {
  const { tasting, end } = await tabletWith(null)
  await tasting.fillSlip('trainer', ODALYS, taste(3, 6, 3))
  await tasting.fillSlip('trainee', ODALYS, null)
  expect(tasting.view.value.sides).toEqual({ trainee: 'skipped', trainer: 'in' })
  expect(tasting.view.value.isOpen).toBe(true)
  end()
})

test('the final call decides; one by eye does not, and a trainer may do without', async () => {
  const { tasting, end } = await tabletWith(null)
  await tasting.makeCall('first', IDA, BALANCED)
  expect([tasting.view.value.called.first, tasting.isDecided.value]).toEqual([true, false])
  await tasting.skipCall()
  expect(tasting.isDecided.value).toBe(true)
  expect(tasting.view.value.calls.map(({ stage, personId, verdict }) => [stage, personId, verdict])).toEqual([
    ['first', IDA, 'balanced'],
    ['final', ODALYS, null],
  ])
  end()
})

test('between its being sent and told again nothing seems unsaid', async () => {
  const { says, tasting, end } = await tabletWith(NOTHING)
  const call = { callId: SHOT, shotId: SHOT, personId: IDA, stage: 'first', ...BALANCED, takenDownBy: ODALYS }
  const at = '2026-11-26T09:00:00.000Z'
  says['PUT /shots/*/calls/*'] = () => ({ status: 201, body: { ...call, calledAt: at, receivedAt: at } })
  await tasting.makeCall('first', IDA, BALANCED)
  await settled()
  expect(useOutbox().writes).toEqual([])
  expect(tasting.view.value.called.first).toBe(true)
  end()
})

test('what waits for another shot is not this one’s', async () => {
  const { tasting, end } = await tabletWith(null)
  await useOutbox().add({
    kind: 'call',
    shotId: OTHER,
    callId: OTHER,
    body: { calledBy: IDA, stage: 'final', ...BALANCED, calledAt: '2026-11-26T09:00:00.000Z' },
  })
  expect([tasting.isDecided.value, tasting.view.value.calls]).toEqual([false, []])
  end()
})

test('a trainer reads it otherwise: the ruling stands beside what was said, with its reason', async () => {
  const { tasting, end } = await tabletWith({ ...NOTHING, called: { first: true, final: true } })
  await tasting.overrule({ ...BALANCED, verdict: 'under' }, 'the stream was pale from the start')
  expect(tasting.view.value.rulings).toMatchObject([
    { ruledBy: ODALYS, verdict: 'under', reason: 'the stream was pale from the start' },
  ])
  end()
})

test('while an answer is on its way it is not asked for again', async () => {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /shots/*/tasting': () => ({ body: NOTHING }),
  })
  const { result: tasting, end } = await inSetup(() =>
    useTasting(
      () => SHOT,
      () => true,
    ),
  )
  await useDoor().load()
  await settled()
  const times = () => device.asked.filter((what) => what.endsWith('/tasting')).length
  device.says['GET /shots/*/tasting'] = () => new Promise<Said>(() => undefined)
  expect([tasting.isLooked.value, times()]).toEqual([true, 1])
  for (let no = 0; no < 3; no += 1) void tasting.askAgain()
  await settled()
  expect(times()).toBe(2)
  end()
})
