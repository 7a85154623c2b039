import { PUMP_RECIPE as recipe } from '@calm-apron/core/testing'
import { curveModel } from './curveModel.ts'

const still = { firstDropS: null, releaseS: null, stopS: null, nowS: 0, weights: [], ghost: [], finish: null }

test('the box to land in spans window and tolerance, and lies inside the drawing', () => {
  const { box, width, floor } = curveModel({ recipe, ...still })
  expect(box.width).toBeGreaterThan(0)
  expect(box.x + box.width).toBeLessThan(width)
  expect(box.y).toBeGreaterThan(0)
  expect(box.y + box.height).toBeLessThan(floor)
})

test('on the drop clock the box moves with the first drop', () => {
  const onDrop = { ...recipe, clock: 'drop' as const }
  const early = curveModel({ recipe: onDrop, ...still, firstDropS: 4 })
  const late = curveModel({ recipe: onDrop, ...still, firstDropS: 12 })
  expect(late.box.x / late.width).toBeGreaterThan(early.box.x / early.width)
})

test('a curve that is fuller and longer than planned still fits', () => {
  const weights = Array.from({ length: 900 }, (_, at) => ({ timeS: at / 10, weightG: at / 10 }))
  const { path, width, floor } = curveModel({ recipe, ...still, nowS: 90, weights })
  const points = [...path.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)])
  expect(points).toHaveLength(900)
  expect(points.every(([x = -1, y = -1]) => x >= 0 && x <= width && y >= 0 && y <= floor)).toBe(true)
})

test('first drop, stop and the finish in sight are drawn where they are', () => {
  const weights = [{ timeS: 20, weightG: 20 }]
  const model = curveModel({
    recipe,
    ...still,
    firstDropS: 7,
    stopS: 28,
    weights,
    finish: { timeS: 29, weightG: 34 },
  })
  expect(model.marks.map(({ kind }) => kind)).toEqual(['firstDrop', 'stop'])
  expect(model.finishPath).toMatch(/^M[\d. ]+L[\d. ]+$/)
})

test('the flow has its word at its end, once there is enough to tell it from', () => {
  const samples = Array.from({ length: 60 }, (_, at) => ({ timeS: at / 10, weightG: at / 5 }))
  const at = (weights: typeof samples) => curveModel({ recipe, ...still, weights }).flow
  expect(at(samples.slice(0, 4))).toEqual({ path: '', end: null })
  const { path, end } = at(samples)
  expect(path.endsWith(`L${end?.x ?? ''} ${end?.y ?? ''}`)).toBe(true)
})
