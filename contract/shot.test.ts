import { packSeries, unknownFacts } from '@calm-apron/core'
import { readableFacts, shotInput, shotSeries } from './shot.ts'

const taste = (sour: number) => ({ sour, sweet: 5, bitter: 3, body: null, dryness: null })
const nobody = { trainee: null, trainer: null }

test('facts are read with what the scale saw and what was tasted: the trainer’s word, else the trainee’s, else the note', () => {
  const facts = { ...unknownFacts(), taste: taste(1) }
  const read = (tasted: Parameters<typeof readableFacts>[0]['tasted']) =>
    readableFacts({ current: { facts }, series: null, tasted }).taste.sour
  expect(read(nobody)).toBe(1)
  expect(read({ trainee: taste(2), trainer: null })).toBe(2)
  expect(read({ trainee: taste(2), trainer: taste(3) })).toBe(3)
  const samples = [{ timeS: 0.1, weightG: 0.5 }]
  const seen = { weight: packSeries(samples), pressure: null }
  expect(readableFacts({ current: { facts }, series: seen, tasted: nobody }).samples).toEqual(samples)
  expect('samples' in readableFacts({ current: { facts }, series: null, tasted: nobody })).toBe(false)
})

test('a shot as earlier tablets sent it is one by itself, practice, with no call asked', () => {
  const id = '019a5c00-0000-7009-8000-000000000001'
  const old = {
    personId: id,
    recipeRevisionId: id,
    barId: id,
    grinderId: null,
    bagId: null,
    pulledAt: '2026-11-23T10:30:00.000Z',
    judgedBy: id,
    facts: unknownFacts(),
  }
  expect(shotInput.parse(old)).toMatchObject({
    trainingId: null,
    purpose: 'practice',
    isCallAsked: false,
    series: null,
    note: '',
  })
})

test('a series is what the core packs, and nothing else', () => {
  expect(shotSeries.safeParse({ weight: 'a:0 a:f', pressure: null }).success).toBe(true)
  expect(shotSeries.safeParse({ weight: '<script>', pressure: null }).success).toBe(false)
})
