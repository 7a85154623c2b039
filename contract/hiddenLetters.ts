/**
 * Letters that nobody sees: those that turn the direction of what follows, and those without width or shape. With them
 * one name can look like another. What joins or parts the letters of some scripts, or picks a picture's style, is none.
 */
const HIDDEN = /(?![\u200c\u200d]|[\ufe00-\ufe0f])(?:\p{Default_Ignorable_Code_Point}|\u2800)/gu

/** Whether a text holds letters that nobody sees. */
export function hasHiddenLetters(text: string): boolean {
  return text.search(HIDDEN) >= 0
}

/** The text as it is seen. */
export function withoutHiddenLetters(text: string): string {
  return text.replaceAll(HIDDEN, '')
}

/** Letters of other scripts, and digits, that look like Latin ones. */
const LOOKS_LIKE: Readonly<Record<string, string>> = {
  ...pairs('аеорсухіјѕԁһԛԝѵ', 'aeopcyxijsdhqwv'),
  ...pairs('АВЕКМНОРСТУХІЈЅ', 'abekmhopctyxljs'),
  ...pairs('αοορυνιτκχγ', 'aoopuvitkxy'),
  ...pairs('ΑΒΕΖΗΙΚΜΝΟΡΤΥΧ', 'abezhlkmnoptyx'),
  ...pairs('01I|', 'olll'),
}

function pairs(from: string, to: string): Record<string, string> {
  return Object.fromEntries(Array.from(from, (letter, at) => [letter, to[at] ?? letter]))
}

/**
 * What a name looks like at a glance: two with the same skeleton can't be told apart. After the idea of Unicode's
 * technical standard 39, of whose table this is the part for Latin letters.
 */
export function skeletonOf(name: string): string {
  const plain = withoutHiddenLetters(name).normalize('NFKD').replaceAll(/\p{M}/gu, '')
  return Array.from(plain, (letter) => LOOKS_LIKE[letter] ?? letter.toLowerCase())
    .join('')
    .replaceAll('i', 'l')
    .replaceAll('rn', 'm')
    .replaceAll('vv', 'w')
    .replaceAll(/\s+/gu, ' ')
    .trim()
}
