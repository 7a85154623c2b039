import { Refusal } from '../refusal.ts'

const underWay = new Set<string>()

/**
 * Goes through `parts` unless another document is under way for the same one who asks.
 * @throws {Refusal} `slow-down` where there is
 */
export async function* oneAtATime<T>(who: string | null, parts: AsyncIterable<T>): AsyncGenerator<T> {
  const key = who ?? ''
  if (underWay.has(key))
    throw new Refusal('slow-down', 'One file is being made for you already. Wait until it is there.')
  underWay.add(key)
  try {
    yield* parts
  } finally {
    underWay.delete(key)
  }
}
