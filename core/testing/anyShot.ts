import fc from 'fast-check'
import { type ShotFacts, type Weighing } from '../shot/facts.ts'
import { ABANDONMENTS, PUCKS, SIDES, STREAMS, TILTS } from '../shot/seen.ts'

const orNull = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: null })
const tenths = (min: number, max: number) =>
  fc.integer({ min: min * 10, max: max * 10 }).map((value) => value / 10)
const axis = orNull(fc.integer({ min: 0, max: 10 }))

function weighing(min: number, max: number): fc.Arbitrary<Weighing> {
  const net = tenths(min, max).map((netG): Weighing => ({ by: 'net', netG }))
  const gross = fc
    .tuple(tenths(min, max), tenths(50, 600))
    .map(([netG, tareG]): Weighing => ({ by: 'gross', grossG: netG + tareG, tareG, vesselId: null }))
  return fc.oneof(net, gross)
}

const clock: fc.Arbitrary<ShotFacts['clock']> = fc.oneof(
  fc.constant(null),
  fc.tuple(tenths(0, 120), tenths(0, 120), fc.boolean()).map(([a, b, estimated]) => ({
    firstDrop: 'marked' as const,
    firstDropS: Math.min(a, b),
    stopS: Math.max(a, b),
    estimated,
  })),
  tenths(0, 120).map((stopS) => ({
    firstDrop: 'missed' as const,
    firstDropS: null,
    stopS,
    estimated: false,
  })),
  tenths(0, 120).map((stopS) => ({ firstDrop: 'none' as const, firstDropS: null, stopS, estimated: false })),
)

/** Any shot that the contract lets through, however odd. */
export const anyShot: fc.Arbitrary<ShotFacts> = fc
  .record({
    grindSetting: orNull(tenths(0, 40)),
    grinderPurged: orNull(fc.boolean()),
    machineHot: orNull(fc.boolean()),
    basketDry: orNull(fc.boolean()),
    rightBasket: orNull(fc.boolean()),
    bedEven: orNull(fc.boolean()),
    dose: orNull(weighing(1, 40)),
    tamp: fc.record({
      tilt: orNull(fc.constantFrom(...TILTS)),
      lowSide: orNull(fc.constantFrom(...SIDES)),
      settled: orNull(fc.boolean()),
    }),
    clock,
    cup: orNull(weighing(0, 120)),
    abandoned: orNull(fc.constantFrom(...ABANDONMENTS)),
    taste: fc.record({ sour: axis, sweet: axis, bitter: axis, body: axis, dryness: axis }),
    look: fc.record({ stream: orNull(fc.constantFrom(...STREAMS)), puck: orNull(fc.constantFrom(...PUCKS)) }),
  })
  .map((facts) => ({
    ...facts,
    tamp: {
      ...facts.tamp,
      lowSide: facts.tamp.tilt === 'slight' || facts.tamp.tilt === 'clear' ? facts.tamp.lowSide : null,
    },
    cup: facts.clock?.firstDrop === 'none' ? null : facts.cup,
  }))
