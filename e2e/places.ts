import type { Page } from '@playwright/test'

/** Holds these answers back until they are released. */
export async function holdBack(page: Page, ...urls: string[]): Promise<() => void> {
  let release = () => {}
  const isReleased = new Promise<void>((resolve) => (release = resolve))
  for (const url of urls)
    await page.route(url, async (route) => {
      await isReleased
      await route.continue()
    })
  return release
}

/** Notes where on the page each of these comes to stand; run in it. */
export function notePlaces(selector: string): void {
  const where = (each: Element) => each.getBoundingClientRect().y + scrollY
  const cameAt = new Map<Element, number>()
  new MutationObserver(() => {
    for (const each of document.querySelectorAll(selector))
      if (!cameAt.has(each)) cameAt.set(each, where(each))
  }).observe(document, { childList: true, subtree: true })
  const moved = () =>
    [...cameAt].flatMap(([each, atPx]) => (each.isConnected ? Math.abs(where(each) - atPx) : []))
  Object.assign(globalThis, { movedPx: moved })
}

/** By how much each of those that were noted and still stand has moved since. */
export async function movedPx(page: Page): Promise<number[]> {
  return page.evaluate('movedPx()')
}
