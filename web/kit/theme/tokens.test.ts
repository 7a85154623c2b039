import { PALETTES } from './tokens.ts'

function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((start) => Number.parseInt(hex.slice(start, start + 2), 16) / 255)
    .map((channel) => (channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}

/** WCAG 2.2 contrast ratio. */
function contrast(a: string, b: string): number {
  const [lighter = 0, darker = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (lighter + 0.05) / (darker + 0.05)
}

describe.each(Object.entries(PALETTES))('%s', (_tone, palette) => {
  test.each(['ink', 'inkSoft', 'pine', 'cornflower', 'ochre', 'plum'] as const)(
    '%s is readable as text on paper and on a raised field',
    (token) => {
      expect(contrast(palette[token], palette.paper)).toBeGreaterThanOrEqual(4.5)
      expect(contrast(palette[token], palette.raised)).toBeGreaterThanOrEqual(4.5)
    },
  )
  test.each([
    ['ink', 'pineSoft'],
    ['ink', 'ochreSoft'],
    ['ink', 'plumSoft'],
    ['plum', 'plumSoft'],
  ] as const)('%s is readable on %s', (text, ground) => {
    expect(contrast(palette[text], palette[ground])).toBeGreaterThanOrEqual(4.5)
  })
  test.each(['edge', 'cornflower', 'pine', 'ochre', 'plum'] as const)(
    '%s is seen as a mark on paper and on the band',
    (token) => {
      expect(contrast(palette[token], palette.paper)).toBeGreaterThanOrEqual(3)
      expect(
        contrast(palette[token], token === 'edge' ? palette.raised : palette.band),
      ).toBeGreaterThanOrEqual(3)
    },
  )
})
