import type { Vessel } from '@calm-apron/core'
import { nextTick, ref } from 'vue'
import type { BarDevice, SensorReading } from '../../data/devices/barDevice.ts'
import { byHand } from '../../data/devices/byHand.ts'
import type { WeighingEntry } from '../draft/shotDraft.ts'
import { useLiveWeight, withFunnels } from './useLiveWeight.ts'

const VESSELS: Vessel[] = [
  { id: 'one', name: 'Portafilter 1', kind: 'portafilter', emptyG: 586.4 },
  { id: 'two', name: 'Portafilter 2', kind: 'portafilter', emptyG: 594.2 },
]
const empty = (): WeighingEntry => ({
  way: 'gross',
  netText: '',
  grossText: '',
  tareText: '',
  vesselId: null,
})

function scale(vesselId: string | null = null, vessels = VESSELS) {
  const last = ref<Partial<Record<'scale', SensorReading>>>({})
  const device: BarDevice = { ...byHand(), state: ref('here'), last }
  const live = useLiveWeight(
    device,
    () => vessels,
    () => ({ targetG: 18, vesselId }),
  )
  const show = async (...values: number[]) => {
    for (const value of values) {
      last.value = { scale: { sensor: 'scale', value, atS: 0 } }
      await nextTick()
    }
  }
  return { live, show }
}

test('of two portafilters it is the one in which a dose near the target lies', async () => {
  const { live, show } = scale()
  await show(604.6)
  expect(live.content.value).toMatchObject({ netG: 18.2, vessel: { id: 'one' } })
  await show(612.6)
  expect(live.content.value).toMatchObject({ vessel: { id: 'two' } })
})

test('the one that was chosen counts, however little is in it yet', async () => {
  const { live, show } = scale('two')
  await show(600.2)
  expect(live.content.value).toMatchObject({ netG: 6, vessel: { id: 'two' } })
})

test('a tared scale shows the dose itself; an empty vessel is known; anything else is not guessed at', async () => {
  const { live, show } = scale()
  await show(18.1)
  expect(live.content.value).toEqual({ netG: 18.1, vessel: null })
  await show(586.9)
  expect(live.emptyVessel.value?.id).toBe('one')
  await show(250)
  expect(live.content.value).toBeNull()
})

test('it is steady after five readings that lie close together, and no sooner', async () => {
  const { live, show } = scale()
  await show(10, 14, 18, 18.1, 18.1, 18.05)
  expect(live.isSteady.value).toBe(false)
  await show(18.1)
  expect(live.isSteady.value).toBe(true)
})

test('what is taken stands in the entry as if it had been typed, in the chosen unit', async () => {
  const { live, show } = scale()
  await show(604.6)
  const entry = empty()
  live.take(entry, 'g')
  expect(entry).toEqual({ way: 'gross', netText: '', grossText: '604.6', tareText: '586.4', vesselId: 'one' })
  await show(18.2)
  live.take(entry, 'oz')
  expect(entry).toMatchObject({ way: 'net', netText: '0.642' })
})

test('with its funnel on a portafilter is known too, chosen or not', async () => {
  const funnelled = withFunnels([
    { ...VESSELS[0], emptyWithFunnelG: 650 } as Vessel & { emptyWithFunnelG: number },
    { ...VESSELS[1], emptyWithFunnelG: null } as Vessel & { emptyWithFunnelG: null },
  ])
  for (const vesselId of [null, 'one']) {
    const { live, show } = scale(vesselId, funnelled)
    await show(668.1)
    expect(live.content.value).toMatchObject({ netG: 18.1, vessel: { id: 'one', emptyG: 650 } })
    await show(604.6)
    expect(live.content.value).toMatchObject({ netG: 18.2, vessel: { id: 'one', emptyG: 586.4 } })
  }
})
