import { type DayOrder, dayAtTablets } from './tablets.ts'

// A process of its own, as tablets are machines of their own: when it ends so do the lines that it kept for its next question,
// and what the server still holds then it holds by itself.
const order = await new Promise<DayOrder>((resolve) =>
  process.once('message', (told) => resolve(told as DayOrder)),
)
const day = await dayAtTablets(order)
process.send?.(day, () => process.exit())
