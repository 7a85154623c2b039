import {
  type CoffeeContent,
  type PreparedDetail,
  type PreparedInput,
  preparedDetail,
} from '@calm-apron/contract'
import { type Browser, newId, prepared } from './serve.ts'

/** A coffee of which little is said. */
export const coffeeThing = (
  name: string,
  content: Partial<CoffeeContent> = {},
): Extract<PreparedInput, { kind: 'coffee' }> => ({
  kind: 'coffee',
  parentId: null,
  content: {
    name,
    roaster: 'Saltgate Roastery',
    origin: '',
    process: '',
    roastLevel: null,
    isForEspresso: null,
    bagWords: '',
    bagG: 1000,
    bagPrice: null,
    deliveryDays: 4,
    freshness: { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 },
    density: null,
    ...content,
  },
})

/** An open bag of a coffee. */
export const bagThing = (
  parentId = prepared('coffee'),
  weighed: { at: string; leftG: number } | null = null,
): Extract<PreparedInput, { kind: 'bag' }> => ({
  kind: 'bag',
  parentId,
  content: {
    name: 'A bag',
    roastedOn: '2026-11-10',
    bestBefore: null,
    openedOn: '2026-11-20',
    finishedOn: null,
    keptIn: 'hopper',
    frozenOn: null,
    thawedOn: null,
    bagG: 1000,
    weighed,
  },
})

/** Makes, changes and reads things as one browser does. */
export function thingsBy(http: Browser) {
  const put = (preparedId: string, thing: object) => http.put(`/api/v1/prepared/${preparedId}`).send(thing)
  const revise = (preparedId: string, basedOnNo: number, thing: object, revisionId = newId()) =>
    http.put(`/api/v1/prepared/${preparedId}/revisions/${revisionId}`).send({ basedOnNo, thing })
  const detailOf = async (preparedId: string): Promise<PreparedDetail> =>
    preparedDetail.parse((await http.get(`/api/v1/prepared/${preparedId}`).expect(200)).body)
  return { put, revise, detailOf }
}

/** One pixel, as a page would send it. */
export const PICTURE =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
