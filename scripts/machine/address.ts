/** The address under which this machine reaches what listens on a host and port. */
export function addressOf({
  host,
  port,
  isTls = false,
}: {
  host: string
  port: number
  isTls?: boolean
}): string {
  const shownHost = host.includes(':') ? `[${host}]` : host === '0.0.0.0' ? '127.0.0.1' : host
  return `${isTls ? 'https' : 'http'}://${shownHost}:${port}`
}
