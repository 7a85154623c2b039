import { z } from 'zod'

const environment = z.object({
  HOST: z.string().min(1).default('127.0.0.1'),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4180),
  DATABASE_URL: z.string().min(1),
  WEB_FOLDER: z.string().min(1),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
})

/** What the process was started with. */
export interface Environment {
  host: string
  port: number
  databaseUrl: string
  webFolder: string
  logLevel: string
}

/**
 * Reads the environment once, at the edge.
 * @throws {Error} naming each variable that is missing or wrong
 */
export function readEnvironment(variables: NodeJS.ProcessEnv): Environment {
  const parsed = environment.safeParse(variables)
  if (!parsed.success) {
    throw new Error(
      parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '),
    )
  }
  const { HOST, PORT, DATABASE_URL, WEB_FOLDER, LOG_LEVEL } = parsed.data
  return { host: HOST, port: PORT, databaseUrl: DATABASE_URL, webFolder: WEB_FOLDER, logLevel: LOG_LEVEL }
}
