const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]'])

export type AddressIssue = 'not-an-address' | 'not-secure'

/**
 * What is wrong with an address below which each group of a bar has its devices; null where nothing is. Empty says that
 * all is typed by hand.
 * @param isSecurePage whether our own page came over https, from which browsers open no line that is not secure
 */
export function addressIssue(address: string, isSecurePage: boolean): AddressIssue | null {
  if (address === '') return null
  if (!URL.canParse(address)) return 'not-an-address'
  const { protocol, hostname, search, hash, username, password } = new URL(address)
  if (protocol !== 'ws:' && protocol !== 'wss:') return 'not-an-address'
  // A group's path is put at its end.
  if ([search, hash, username, password].some((part) => part !== '')) return 'not-an-address'
  return isSecurePage && protocol === 'ws:' && !LOOPBACK.has(hostname) ? 'not-secure' : null
}
