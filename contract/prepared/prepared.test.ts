import { fieldErrors } from '../problem.ts'
import { bagContent } from './kinds/bag.ts'
import { coffeeContent } from './kinds/coffee.ts'
import { grinderContent } from './kinds/grinder.ts'
import { IMPORT_ORDER, PREPARED_KINDS, kindOf } from './kinds/kindOf.ts'
import { KINDS } from './kinds/kinds.ts'
import { machineContent } from './kinds/machine.ts'
import { routineStep } from './kinds/routine.ts'
import { asKind, begunAs, namedBy, preparedInput, preparedRecord } from './prepared.ts'

const ID = '019a5c00-0000-7008-8000-000000000001'
const BAG = {
  name: 'Bag',
  roastedOn: '2026-11-10',
  bestBefore: null,
  openedOn: null,
  finishedOn: null,
  keptIn: 'sealed',
  frozenOn: null,
  thawedOn: null,
  bagG: 1000,
  weighed: null,
}
const COFFEE = {
  name: 'Lantern Row',
  roaster: '',
  origin: '',
  process: '',
  roastLevel: null,
  bagWords: '',
  bagG: null,
  bagPrice: null,
  deliveryDays: 4,
  freshness: { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 },
  density: null,
}
const GRINDER = begunAs('grinder', { name: 'Quay grinder', maxSetting: 40 })
const MACHINE = begunAs('machine', { name: 'Two-group', kind: 'lever' })
const STEP = {
  key: 'tamp',
  what: '',
  reason: '',
  mistake: '',
  caution: '',
  isSafety: false,
  observedBy: 'trainer',
  timer: 'none',
  timerS: null,
  isInShortView: true,
}

function issues(
  schema: { safeParse: typeof bagContent.safeParse | typeof coffeeContent.safeParse },
  value: object,
) {
  const parsed = schema.safeParse(value)
  return parsed.success ? [] : fieldErrors(parsed.error).map(({ path, reason }) => [path, reason])
}

test.each([
  ['opened before it was roasted', { openedOn: '2026-11-09' }, ['openedOn', 'ends-before-start']],
  [
    'finished before it was opened',
    { openedOn: '2026-11-20', finishedOn: '2026-11-19' },
    ['finishedOn', 'ends-before-start'],
  ],
  [
    'thawed before it was frozen',
    { frozenOn: '2026-11-20', thawedOn: '2026-11-19' },
    ['thawedOn', 'ends-before-start'],
  ],
  ['thawed and never frozen', { thawedOn: '2026-11-19' }, ['frozenOn', 'missing']],
  ['a size of nothing', { bagG: 0 }, ['bagG', 'number-too-small']],
  ['a date that is none', { roastedOn: '2026-02-30' }, ['roastedOn', 'wrong-format']],
])('a bag %s is refused at its field', (_, part, expected) => {
  expect(issues(bagContent, { ...BAG, ...part })).toContainEqual(expected)
  expect(issues(bagContent, BAG)).toEqual([])
})

test.each([
  [
    'past its best before it is rested',
    { bestUntilDays: 4 },
    ['freshness.bestUntilDays', 'ends-before-start'],
  ],
  ['unusable while it is best', { usableUntilDays: 20 }, ['freshness.usableUntilDays', 'ends-before-start']],
  ['a half day', { restDays: 1.5 }, ['freshness.restDays', 'wrong-type']],
])('a coffee %s is refused at its field', (_, part, expected) => {
  expect(issues(coffeeContent, { ...COFFEE, freshness: { ...COFFEE.freshness, ...part } })).toContainEqual(
    expected,
  )
})

test.each([
  [
    'a scale the wrong way round',
    grinderContent,
    { ...GRINDER, maxSetting: 0 },
    ['maxSetting', 'ends-before-start'],
  ],
  [
    'a step wider than the scale',
    grinderContent,
    { ...GRINDER, settingStep: 50 },
    ['settingStep', 'step-too-wide'],
  ],
  [
    'burrs that touch off the scale',
    grinderContent,
    { ...GRINDER, touchingAt: 41 },
    ['touchingAt', 'off-scale'],
  ],
  [
    'a gauge the wrong way round',
    machineContent,
    { ...MACHINE, gauge: { fromBar: 9, toBar: 8 } },
    ['gauge.toBar', 'ends-before-start'],
  ],
  ['a machine without a group', machineContent, { ...MACHINE, groups: [] }, ['groups', 'too-small']],
  ['a step of one’s own that says nothing', routineStep, { ...STEP, key: null }, ['what', 'missing']],
])('%s is refused at its field', (_, schema, value, expected) => {
  const parsed = schema.safeParse(value)
  expect(
    parsed.success ? [] : fieldErrors(parsed.error).map(({ path, reason }) => [path, reason]),
  ).toContainEqual(expected)
})

test('a known step may leave its words to the catalogue', () => {
  expect(routineStep.safeParse(STEP).success).toBe(true)
})

test('each kind has a schema with a name in it, and belongs to a kind there is, or to nothing', () => {
  for (const kind of PREPARED_KINDS) {
    const { content, parent, namedKinds = [] } = kindOf(kind)
    expect([kind, 'name' in content.shape]).toEqual([kind, true])
    for (const needed of [parent, ...namedKinds])
      if (needed !== null) expect(PREPARED_KINDS).toContain(needed)
  }
})

test('a file is taken in an order in which nothing is named before it is there', () => {
  expect([...IMPORT_ORDER].sort()).toEqual([...PREPARED_KINDS].sort())
  for (const [at, kind] of IMPORT_ORDER.entries()) {
    const { parent, namedKinds = [] } = kindOf(kind)
    const needed = [...(parent === null ? [] : [parent]), ...namedKinds]
    const before: readonly string[] = IMPORT_ORDER.slice(0, at)
    expect(needed.filter((each) => !before.includes(each))).toEqual([])
  }
})

test('what a thing names is told with its path, and of what kind it must be', () => {
  const groups = [null, ID].map((basketId) => ({ ...MACHINE.groups[0], basketId }))
  const thing = { kind: 'machine', parentId: ID, content: { ...MACHINE, groups } }
  expect(namedBy(preparedInput.parse(thing))).toEqual([
    { path: 'parentId', kind: 'bar', preparedId: ID },
    { path: 'content.groups.1.basketId', kind: 'basket', preparedId: ID },
  ])
})

test('every part that a form can add to a kind has a beginning that its schema knows', () => {
  const begun = PREPARED_KINDS.flatMap((kind) => Object.entries(kindOf(kind).parts ?? {}))
  expect(begun.length).toBeGreaterThan(10)
  for (const [name, make] of begun)
    expect([name, Object.keys(make(new Date(0))).length > 0]).toEqual([name, true])
  expect(KINDS.bag.parts?.['weighed']?.(new Date(0))).toEqual({ at: '1970-01-01T00:00:00.000Z', leftG: null })
})

test('what belongs to something must say to what; what belongs to nothing must not', () => {
  const input = (kind: string, parentId: string | null, content: object) =>
    preparedInput.safeParse({ kind, parentId, content }).success
  expect([input('bag', ID, BAG), input('bag', null, BAG)]).toEqual([true, false])
  expect([input('coffee', null, COFFEE), input('coffee', ID, COFFEE)]).toEqual([true, false])
  expect(input('coffee', null, BAG)).toBe(false)
  expect(input('tea', null, COFFEE)).toBe(false)
})

test('a record is read in the shape of its own kind only', () => {
  const record = preparedRecord.parse({
    preparedId: ID,
    kind: 'coffee',
    parentId: null,
    revisionId: ID,
    revisionNo: 1,
    isArchived: false,
    changedAt: '2026-11-26T09:00:00Z',
    changedBy: null,
    content: COFFEE,
  })
  expect(asKind(record, 'coffee')?.content.freshness.restDays).toBe(5)
  expect(asKind(record, 'bag')).toBeNull()
  expect(() => asKind({ ...record, kind: 'bag' }, 'bag')).toThrow()
})
