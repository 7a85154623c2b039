/**
 * Formats by what each is made with, each made once: to make one takes as long as to use it thirty to a hundred times, and
 * a list has hundreds of figures.
 * @param make makes a format; whatever it is made with must be told apart as text
 */
export function keptFormats<By extends readonly (string | number)[], Format>(
  make: (...by: By) => Format,
): (...by: By) => Format {
  const made = new Map<string, Format>()
  return (...by) => {
    const key = by.join()
    const format = made.get(key) ?? make(...by)
    made.set(key, format)
    return format
  }
}
