import { z } from 'zod'

/** A field that lies deeper shows once what lies above it is gone; nothing of ours lies deeper than this. */
const DEEPEST = 12

/**
 * Reads an answer by its schema. Fields that this reader does not know yet are let by: a newer server must not make a
 * page of yesterday take it for unreachable.
 */
export function readAnswer<S extends z.core.$ZodType>(
  schema: S,
  answer: unknown,
): z.ZodSafeParseResult<z.infer<S>> {
  let parsed = z.safeParse(schema, answer)
  for (let depth = 0; !parsed.success && depth < DEEPEST; depth += 1) {
    const unknown = unknownFields(parsed.error.issues)
    if (unknown.length === 0) return parsed
    const known = JSON.parse(JSON.stringify(answer)) as unknown
    for (const path of unknown) remove(known, path)
    answer = known
    parsed = z.safeParse(schema, answer)
  }
  return parsed
}

type Path = PropertyKey[]

/** Of several shapes that it could be, the one that lacks nothing but knowing these fields. */
function unknownFields(issues: readonly z.core.$ZodIssue[], above: Path = []): Path[] {
  return issues.flatMap((issue): Path[] => {
    const at = [...above, ...issue.path]
    if (issue.code === 'unrecognized_keys') return issue.keys.map((key) => [...at, key])
    if (issue.code !== 'invalid_union') return []
    const way = issue.errors.find((each) => each.every(({ code }) => code === 'unrecognized_keys'))
    return way === undefined ? [] : unknownFields(way, at)
  })
}

function remove(value: unknown, path: Path): void {
  const [key, ...rest] = path
  if (typeof value !== 'object' || value === null || key === undefined) return
  if (rest.length === 0) Reflect.deleteProperty(value, key)
  else remove(Reflect.get(value, key), rest)
}
