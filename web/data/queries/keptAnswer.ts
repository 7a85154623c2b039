import { type Endpoint, readAnswer } from '@calm-apron/contract'
import { asPlain, deviceDatabase } from '../device/deviceDatabase.ts'
import { writeOnDevice } from '../device/writeOnDevice.ts'
import type { AnswerOf, KeptAs, Question } from './question.ts'

/** Keeps an answer as it was told. What was kept by another release and can't be read as this answer is not known. */
export function keptAnswer<E extends Endpoint>(
  key: Question<unknown>['key'],
  { answer }: E,
): KeptAs<AnswerOf<E>> {
  const name = JSON.stringify(key)
  return {
    async read(viewerId) {
      const kept = await (await deviceDatabase()).get('answers', [viewerId, name])
      if (kept === undefined) return null
      const read = readAnswer(answer, kept.answer)
      // Parsed by the very schema the type is inferred from; the generic can't carry that.
      return read.success ? { value: read.data as AnswerOf<E>, askedAtMs: kept.askedAtMs } : null
    },
    async keep(viewerId, { value, askedAtMs }) {
      const kept = { answer: asPlain<unknown>(value), askedAtMs }
      await writeOnDevice(['answers'], (store) => [store('answers').put(kept, [viewerId, name])])
    },
    async forget(viewerId) {
      await writeOnDevice(['answers'], (store) => [store('answers').delete([viewerId, name])])
    },
  }
}

/** Forgets all that a viewer was told: they left this device for good. */
export async function forgetAnswers(viewerId: string): Promise<void> {
  // An array comes after every text.
  const theirs = IDBKeyRange.bound([viewerId], [viewerId, []])
  await writeOnDevice(['answers', 'shots'], (store) => [
    store('answers').delete(theirs),
    store('shots').delete(theirs),
  ])
}
