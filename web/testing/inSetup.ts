import { freshPage } from './device.ts'
import { PiniaColada } from '@pinia/colada'
import type { Pinia } from 'pinia'
import { createRenderer } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'

/** What a browser tells of its reader; set before anything of ours is loaded that reads it. */
Object.defineProperty(globalThis, 'navigator', {
  value: { language: 'en-GB', languages: ['en-GB'], onLine: true },
  configurable: true,
})

const node = () => ({})
const nothing = () => undefined
const none = () => null

/** Draws nothing: composables need a component around them, and no page. */
const { createApp } = createRenderer<object, object>({
  createElement: node,
  createText: node,
  createComment: node,
  insert: nothing,
  remove: nothing,
  patchProp: nothing,
  setText: nothing,
  setElementText: nothing,
  parentNode: none,
  nextSibling: none,
})

export interface SetUp<T> {
  result: T
  /** Takes the component away. */
  end: () => void
  /** Where it led to. */
  went: () => string
  /** The stores it had, for a further component of the same page. */
  pinia: Pinia
}

/** Runs a composable as a component would, with all words, with routes, and on a page of its own unless one is given. */
export async function inSetup<T>(
  composable: () => T,
  pinia = freshPage(),
  /** What a place is loaded by, where a test says that it can't be. */
  loads?: () => Promise<never>,
): Promise<SetUp<T>> {
  const { PARTS, bringWords, i18n } = await import('../words/index.ts')
  for (const part of Object.keys(PARTS)) await bringWords(part as keyof typeof PARTS)
  const page = { render: none }
  const router = createRouter({
    history: createMemoryHistory(),
    routes: ['shot', 'reading', 'tasting'].map((name) => ({
      path: `/${name}/:shotId`,
      name,
      component: loads ?? page,
    })),
  })
  let result: T | undefined
  const app = createApp({
    setup: () => {
      result = composable()
      return none
    },
  })
  app.use(pinia).use(PiniaColada).use(i18n).use(router).mount({})
  if (result === undefined) throw new Error('Nothing was set up.')
  return { result, end: () => app.unmount(), went: () => router.currentRoute.value.fullPath, pinia }
}
