/** Draws nothing, where the component library would draw that there is nothing. */
export function DefaultRenderEmpty(): null {
  return null
}
export default DefaultRenderEmpty
