/** A pattern for `like` by which whatever contains a text is found, whatever signs of patterns stand in it. */
export function containing(text: string): string {
  return `%${text.replaceAll(/[\\%_]/g, '\\$&')}%`
}
