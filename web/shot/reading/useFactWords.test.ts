import { type ShotNotes, noNotes } from '@calm-apron/core'
import { carefulShot } from '@calm-apron/core/testing'
import { inSetup } from '../../testing/inSetup.ts'
import { useFactWords } from './useFactWords.ts'

const { result: words, end } = await inSetup(() => useFactWords())
afterAll(() => end())

const MEASURED = { cupMl: null, tampForceN: 120, leadG: null }

test.each([
  ['how hard it was pressed', { measured: { ...MEASURED, tampForceN: 150 } }, /Pressed with/],
  ['the beans that went in', { noted: { ...noNotes(), beansInG: 18.6 } }, /Beans in/],
  [
    'when pre-infusion was let go',
    { clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, preinfusionEndS: 4, estimated: false } },
    /Pre-infusion let go/,
  ],
  ['clumps', { noted: { ...noNotes(), clumps: true } }, /^Clumps/],
  ['less than is shown', { dose: { by: 'net', netG: 18.42 } }, /Less than is shown here/],
] as const)('a correction of %s alone is one', (_what, also, says) => {
  const before = carefulShot(
    {},
    {
      measured: MEASURED,
      dose: { by: 'net', netG: 18.4 },
      clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, estimated: false },
    },
  )
  const changes = words.changes(before, { ...before, ...also })
  expect(changes).toHaveLength(1)
  expect(changes[0]).toMatch(says)
})

test('what was left out, and what is not known, are the same', () => {
  const { basketClean: _said, ...before } = carefulShot()
  expect(words.changes(before, { ...before, basketClean: null })).toEqual([])
})

test('every fact that is stored is shown', () => {
  const notes: Required<ShotNotes> = {
    isHelped: true,
    waterC: 92.5,
    served: 'serve',
    bagMatched: 'partly',
    doseMethod: 'scale',
    humidityPercent: 55,
    toolOutline: true,
    cupLine: 'at',
    usualCupG: 36.2,
    usualCupSdG: 1.1,
    tdsPercent: 9.2,
    distributions: ['tap', 'needle'],
    clumps: true,
    spilt: false,
    beansInG: 18.6,
    lowDose: 'top-up',
    posture: 'bent',
    twisted: true,
    rimWiped: false,
    lockedFirmly: true,
    lockToStartS: 12.5,
    marks: [{ mark: 'pale', atS: 21 }],
    weightsSeen: [{ atS: 14, weightG: 12.5 }],
    weightAtStopG: 35.1,
    cupsG: [18, 18.2],
    predicted: { byPersonS: 27, byToolS: 28.5 },
    signs: { 'thin-crema': true, 'pressure-low': false },
    staticCling: true,
    cycle: 'heating',
    afterFeel: 'lingers',
    stepsDone: ['purge'],
    stepsPrompted: ['flush'],
    stepsMissed: ['wipe-rim'],
    ownSteps: [{ what: 'Say what you smell', mark: 'prompted' }],
    waitedToFill: true,
    selfRating: 7,
  }
  const told = new Set(words.lines(carefulShot()).map(({ label }) => label))
  const shown = words.lines(carefulShot({}, { noted: notes, wanted: { doseG: 17, yieldG: 40 } }))
  const more = shown.filter(({ label }) => !told.has(label))
  // Two lines of what was expected, and two of what was meant.
  expect(more).toHaveLength(Object.keys(notes).length + 1 + 2)
  for (const { label, value } of more)
    expect([label, value]).toEqual([expect.stringMatching(/^[A-Z]/), expect.stringMatching(/\S/)])
  expect(more.find(({ label }) => label === 'Seen besides')?.value).toBe(
    'Thin crema, Gauge low: looked for, not there',
  )
})
