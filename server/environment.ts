import { z } from 'zod'

const origin = z.string().check((context) => {
  if (URL.canParse(context.value) && new URL(context.value).origin === context.value) return
  const message = 'should be an origin such as https://bar.example, without a path'
  context.issues.push({ code: 'custom', input: context.value, message })
})

const environment = z
  .object({
    HOST: z.string().min(1).default('127.0.0.1'),
    PORT: z.coerce.number().int().min(0).max(65_535).default(4180),
    PUBLIC_ORIGIN: origin.optional(),
    /** Addresses of the proxies in front. A number would trust whoever reaches the server beside them. */
    TRUST_PROXY: z
      .string()
      .regex(/\D/, 'should name the addresses of the proxies, such as 10.0.0.1 or loopback')
      .optional(),
    TLS_CERT: z.string().min(1).optional(),
    TLS_KEY: z.string().min(1).optional(),
    /** Where devices may be, besides this machine itself: origins with ws:// or wss://, parted by commas. */
    DEVICE_ORIGINS: z
      .string()
      .regex(/^wss?:\/\/[^/\s,;'"]+(,wss?:\/\/[^/\s,;'"]+)*$/, 'should be such as ws://192.168.1.20:4181')
      .optional(),
    DEMO_SIGN_IN: z.enum(['yes', 'no']).default('no'),
    DATABASE_URL: z.string().min(1),
    /** Past a pooler that shares connections, where there is one: to listen needs a connection of one's own. */
    DATABASE_LISTEN_URL: z.string().min(1).optional(),
    WEB_FOLDER: z.string().min(1),
    LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
  })
  .refine((all) => (all.TLS_CERT === undefined) === (all.TLS_KEY === undefined), {
    path: ['TLS_KEY'],
    message: 'TLS_CERT and TLS_KEY go together',
  })

/** What the process was started with. */
export interface Environment {
  host: string
  port: number
  publicOrigin: string | null
  trustProxy: false | string
  /** Files of the certificate and its key, or null for plain http. */
  tls: { certFile: string; keyFile: string } | null
  /** Whether browsers reach this server by https, here or at a proxy in front. */
  isSecure: boolean
  demoSignIn: boolean
  deviceOrigins: string[]
  databaseUrl: string
  /** Where the live line listens. */
  listenUrl: string
  webFolder: string
  logLevel: string
}

/**
 * Reads the environment once, at the edge. A variable that is empty counts as left out.
 * @throws {Error} naming each variable that is missing or wrong
 */
export function readEnvironment(variables: NodeJS.ProcessEnv): Environment {
  const given = Object.fromEntries(Object.entries(variables).filter(([, value]) => value !== ''))
  const parsed = environment.safeParse(given)
  if (!parsed.success) {
    throw new Error(
      parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '),
    )
  }
  const { HOST, PORT, PUBLIC_ORIGIN, TRUST_PROXY, TLS_CERT, TLS_KEY, ...rest } = parsed.data
  const tls =
    TLS_CERT !== undefined && TLS_KEY !== undefined ? { certFile: TLS_CERT, keyFile: TLS_KEY } : null
  return {
    host: HOST,
    port: PORT,
    publicOrigin: PUBLIC_ORIGIN ?? null,
    trustProxy: TRUST_PROXY ?? false,
    tls,
    isSecure: tls !== null || PUBLIC_ORIGIN?.startsWith('https:') === true,
    demoSignIn: rest.DEMO_SIGN_IN === 'yes',
    deviceOrigins: rest.DEVICE_ORIGINS?.split(',') ?? [],
    databaseUrl: rest.DATABASE_URL,
    listenUrl: rest.DATABASE_LISTEN_URL ?? rest.DATABASE_URL,
    webFolder: rest.WEB_FOLDER,
    logLevel: rest.LOG_LEVEL,
  }
}
