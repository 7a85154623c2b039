import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { line } from '../../primitives.ts'

/** A line that may be left empty. */
export const shortText = line({ min: 0, max: BOUNDS.nameLength.max })

/** A list of what one house could have. */
export const list = <T extends z.core.SomeType>(of: T) => z.array(of).max(BOUNDS.listLength.max)
