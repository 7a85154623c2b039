import { randomUUID } from 'node:crypto'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'

/** One line for each request, with nothing of what people typed in it. */
export function requestLog(logger: Logger) {
  return pinoHttp({
    logger,
    genReqId: () => randomUUID(),
    serializers: { req: bareRequest, res: bareResponse, err: bareError },
    // Without this the error would be told a second time, whole.
    wrapSerializers: false,
  })
}

interface RequestParts {
  id: unknown
  method?: string
  url?: string
}

function bareRequest({ id, method, url }: RequestParts) {
  return { id, method, path: url?.split('?')[0] }
}

function bareResponse({ statusCode }: { statusCode: number }) {
  return { statusCode }
}

interface ErrorParts {
  name?: unknown
  code?: unknown
  message?: unknown
  stack?: unknown
  query?: unknown
  cause?: unknown
}

/**
 * An error down to its root. A failed query's own message repeats every value that was sent, so of it only the
 * statement is kept.
 */
export function bareError(error: unknown): object {
  if (typeof error !== 'object' || error === null) return { message: String(error) }
  const { name, code, message, stack, query, cause } = error as ErrorParts
  const frames =
    typeof stack === 'string' ? stack.split('\n').filter((line) => line.startsWith('    at ')) : []
  return {
    name,
    code,
    ...(query === undefined ? { message } : { query }),
    stack: frames.join('\n'),
    ...(cause !== undefined && { cause: bareError(cause) }),
  }
}
