import { type Locator, expect as base } from '@playwright/test'

const STATES = { toBeVisible: 'visible', toBeHidden: 'hidden' } as const

/**
 * Waits plainly. The runner's own two draw up the accessibility tree of the whole page each time they look and it is
 * not so yet, for a message that is seldom shown; so theirs is asked only once it has failed.
 */
const waitsFor = (name: keyof typeof STATES) =>
  async function (
    this: { isNot: boolean; timeout: number },
    locator: Locator,
    { timeout = this.timeout }: { timeout?: number } = {},
  ): Promise<{ pass: boolean; message: () => string }> {
    // The opposite of one is the other, where it is asked so.
    const state = this.isNot === (name === 'toBeVisible') ? STATES.toBeHidden : STATES.toBeVisible
    try {
      await locator.waitFor({ state, timeout })
      return { pass: !this.isNot, message: () => '' }
    } catch (failure) {
      const says = this.isNot ? base(locator).not : base(locator)
      const why = await says[name]({ timeout: 1 }).then(
        () => String(failure),
        (error: unknown) => String(error),
      )
      return { pass: this.isNot, message: () => why }
    }
  }

export const expect = base.extend({
  toBeVisible: waitsFor('toBeVisible'),
  toBeHidden: waitsFor('toBeHidden'),
})
