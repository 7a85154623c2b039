import Bowser from 'bowser'

/** What a browser calls itself, in words: "Chrome · Android"; as it came where it can't be told. */
export function deviceName(userAgent: string): string {
  // The library refuses an empty name.
  if (userAgent === '') return '–'
  const { browser, os } = Bowser.parse(userAgent)
  const parts = [browser.name, os.name].filter((part) => part !== undefined && part !== '')
  return parts.length === 0 ? userAgent : parts.join(' · ')
}
