import { taste } from '../testing/examples.ts'
import { pulledShot, reference, served, tastedBy } from './examples.ts'
import type { CupNote } from './cups.ts'
import { type JudgedPart, judgeSet, judgeTicks } from './judgeSet.ts'
import { PRESET_PROGRAMMES, type Programme, type SignedPart, termsFor } from './programme.ts'
import { type SetShot, setProgress } from './setProgress.ts'

const PROGRAMME: Programme = { ...PRESET_PROGRAMMES['espresso-at-the-bar'], ticks: [] }
const five = (make: (no: number) => SetShot = (no) => pulledShot(no)) => [2, 3, 4, 5, 6].map(make)
const progressOf = (shots: readonly SetShot[]) => setProgress(shots, 'trainee', PROGRAMME)
const SOUR = taste(9, 2, 1)
const TWO = ['first', 'second']
const judged = (
  shots: readonly SetShot[],
  cups: CupNote[] | null = tastedBy(TWO, shots),
  programme = PROGRAMME,
) => new Map(judgeSet(shots, 'trainee', programme, { cups }).map((each) => [each.part, each]))
const resultOf = (parts: Map<SignedPart, JudgedPart>, part: SignedPart) => parts.get(part)?.result

describe('how far a set is', () => {
  test('it begins when a trainer’s reference is on', () => {
    expect(progressOf([]).next).toBe('reference')
    expect(progressOf([reference(1, { stopS: 40 })]).next).toBe('reference')
    expect(progressOf([reference(1)]).next).toBe('pull')
  })
  test('shots to get used to the group, or to find the setting, count for nothing, and are so many', () => {
    const progress = progressOf([reference(0), pulledShot(1, { purpose: 'dial-in' })])
    expect([progress.counted.length, progress.uncountedLeft]).toEqual([0, 5])
    expect(progressOf([reference(0), ...five()]).uncountedLeft).toBe(0)
  })
  test('afterwards a reference, a second where that is off, and never a third', () => {
    const set = [reference(1), ...five()]
    expect(progressOf(set)).toMatchObject({ next: 'reference-after', isBarRight: null })
    expect(progressOf([...set, reference(7)])).toMatchObject({ next: 'close', isBarRight: true })
    const off = [...set, reference(7, { stopS: 40 })]
    expect(progressOf(off)).toMatchObject({ next: 'second-reference', isBarRight: null })
    expect(progressOf([...off, reference(8)])).toMatchObject({ next: 'close', isBarRight: true })
    expect(progressOf([...off, reference(8, { stopS: 40 })])).toMatchObject({
      next: 'close',
      isBarRight: false,
    })
  })
  test('an equipment failure voids a shot: another takes its place', () => {
    const shots = [reference(1), pulledShot(2, { purpose: 'equipment-failure' }), ...five().slice(1)]
    expect(progressOf(shots)).toMatchObject({ next: 'pull', voided: [{ shotId: 'shot 2' }] })
  })
  test('a fault that is called in time is pulled again, once', () => {
    const choke = (no: number) =>
      pulledShot(no, {
        pull: { stopS: 75, cupG: 4 },
        facts: { abandoned: 'choked', ...served('pull-again') },
      })
    const set = [reference(0), choke(1), ...five()]
    expect(progressOf(set)).toMatchObject({ pulledAgain: { shotId: 'shot 1' }, next: 'reference-after' })
    const twice = progressOf([reference(0), choke(1), choke(2), ...five().slice(1)])
    expect(twice.counted.map(({ shotId }) => shotId)).toContain('shot 2')
  })
})

describe('what the rules propose', () => {
  const whole = (shots: readonly SetShot[]) => [reference(1), ...shots, reference(7)]

  test('careful shots show every part', () => {
    expect([...judged(whole(five())).values()].map(({ part, result }) => [part, result])).toEqual(
      ['prep', 'dose', 'tamp', 'yield', 'time', 'taste', 'call', 'safety'].map((part) => [part, 'shown']),
    )
  })
  test('one that is near is let pass, a second is not; nor one that is off', () => {
    const heavy = (times: number, cupG: number) =>
      judged(whole(five((no) => pulledShot(no, no < 2 + times ? { pull: { cupG } } : {}))))
    expect(resultOf(heavy(1, 39), 'yield')).toBe('shown')
    expect(heavy(2, 39).get('yield')).toMatchObject({ result: 'not-yet', side: 1 })
    expect(heavy(1, 42).get('yield')).toMatchObject({ result: 'not-yet', side: 1 })
    expect(heavy(2, 39).get('yield')?.shots[0]).toEqual({ shotId: 'shot 2', standing: 'near' })
  })
  test('both references off: time and taste are pulled again, all else stands', () => {
    const set = [reference(1), ...five(), reference(7, { stopS: 40 }), reference(8, { stopS: 41 })]
    const parts = judged(set)
    expect(['time', 'taste', 'dose'].map((part) => resultOf(parts, part as SignedPart))).toEqual([
      'again',
      'again',
      'shown',
    ])
    expect(parts.get('time')?.because).toBe('bar-off')
  })
  test('taste fails nobody on one tongue, nor who does not taste', () => {
    const set = whole(five())
    const sour = tastedBy(['first'], set, SOUR)
    expect(judged(set, sour).get('taste')).toMatchObject({ result: 'noted', because: 'one-tongue' })
    expect(judged(set, null).get('taste')).toMatchObject({ result: 'noted', because: 'not-tasted' })
    expect(resultOf(judged(set, tastedBy(TWO, set, SOUR)), 'taste')).toBe('not-yet')
  })
  test('of two who taste it otherwise the better holds', () => {
    const set = whole(five())
    const cups = [...tastedBy(['first'], set, SOUR), ...tastedBy(['second'], set)]
    expect(resultOf(judged(set, cups), 'taste')).toBe('shown')
  })
  test('whoever finds the reference off, or left a cup out, is not counted', () => {
    const set = whole(five())
    const [first, ...others] = tastedBy(['second'], set, SOUR)
    if (first === undefined) throw new Error('Every cup was tasted.')
    const cups = tastedBy(['first'], set, SOUR)
    const sourReference = { ...first, taste: taste(9, 2, 1) }
    expect(judged(set, [...cups, sourReference, ...others]).get('taste')?.because).toBe('one-tongue')
    expect(judged(set, [...cups, first, ...others.slice(1)]).get('taste')?.because).toBe('one-tongue')
  })
  test('two shots to look at it again: on in one, off in none, and a reference afterwards only where one ran off time', () => {
    const look = (cupsG: [number, number]) => {
      const shots = [reference(1), ...cupsG.map((cupG, no) => pulledShot(2 + no, { pull: { cupG } }))]
      const programme = termsFor(PROGRAMME, { isLook: true })
      return [
        setProgress(shots, 'trainee', programme).next,
        resultOf(judged(shots, tastedBy(TWO, shots), programme), 'yield'),
      ]
    }
    expect(look([36, 39])).toEqual(['close', 'shown'])
    expect(look([39, 39])).toEqual(['close', 'not-yet'])
    expect(look([36, 42])).toEqual(['close', 'not-yet'])
    const slow = [reference(1), pulledShot(2), pulledShot(3, { pull: { stopS: 40 } })]
    expect(setProgress(slow, 'trainee', termsFor(PROGRAMME, { isLook: true })).next).toBe('reference-after')
  })
  test('where the trainer set the grind, time is the bar’s', () => {
    const set = whole(
      five().map((shot) => ({ ...shot, context: { ...shot.context, grindOwner: 'trainer' as const } })),
    )
    expect(judged(set).get('time')).toMatchObject({ result: 'noted', because: 'the-bars' })
  })
  test('calls are held against the threshold together; serving amiss is let pass once', () => {
    const called = (scores: number[], wrong: number) =>
      resultOf(
        judged(
          whole(
            five((no) => pulledShot(no, { callScore: scores[no - 2] ?? 1, isServeRight: no - 2 >= wrong })),
          ),
        ),
        'call',
      )
    expect(called([1, 1, 1, 0.5, 0], 1)).toBe('shown')
    expect(called([1, 1, 0, 0.5, 0], 0)).toBe('not-yet')
    expect(called([], 2)).toBe('not-yet')
  })
  test('a safety step that was left out is said, even in a shot that did not count', () => {
    const steps = { stepsDone: [], stepsPrompted: [], stepsMissed: ['flush' as const] }
    const set = whole([pulledShot(1, { purpose: 'dial-in', steps }), ...five()])
    expect(resultOf(judged(set), 'safety')).toBe('not-yet')
    const unmarked = { stepsDone: [], stepsPrompted: [], stepsMissed: [] }
    for (const noSteps of [null, unmarked]) {
      const unwatched = judged(whole(five((no) => pulledShot(no, { steps: noSteps }))))
      for (const part of ['safety', 'prep'] as const)
        expect(unwatched.get(part)).toMatchObject({ result: 'noted', because: 'not-watched' })
    }
  })
  test('a reading of which too little is known is pulled again, and held against nobody', () => {
    const set = whole(five((no) => pulledShot(no, no < 4 ? { pull: { cupG: null } } : {})))
    expect(judged(set).get('yield')).toMatchObject({ result: 'again', because: 'too-few' })
  })
  test('a setting is found within so many shots', () => {
    const programme: Programme = { ...PRESET_PROGRAMMES['dial-in'], ticks: [] }
    const looked = (uncounted: number) => {
      const before = Array.from({ length: uncounted }, (_each, no) => pulledShot(no, { purpose: 'dial-in' }))
      const found = [pulledShot(20), pulledShot(21)]
      const shots = [reference(-1), ...before, ...found, reference(22)]
      return judged(shots, null, programme).get('dial-in')?.result
    }
    expect([looked(6), looked(7)]).toEqual(['shown', 'not-yet'])
  })
  test('a card is shown once all of it is ticked', () => {
    const card = { ticks: ['wipes the basket', 'doses within tolerance'] }
    expect(judgeTicks(card, ['wipes the basket']).result).toBe('not-yet')
    expect(judgeTicks(card, card.ticks).result).toBe('shown')
  })
})
