import { spawnSync } from 'node:child_process'
import { join } from 'node:path'

/**
 * A certificate that only a test trusts.
 * @throws {Error} with what openssl says
 */
export function makeCertificate(folder: string): { TLS_CERT: string; TLS_KEY: string } {
  const [TLS_CERT, TLS_KEY] = [join(folder, 'cert.pem'), join(folder, 'key.pem')]
  const { status, stderr } = spawnSync(
    'openssl',
    [
      'req',
      '-x509',
      '-newkey',
      'ec',
      '-pkeyopt',
      'ec_paramgen_curve:prime256v1',
      '-nodes',
      '-days',
      '2',
      '-subj',
      '/CN=bar.invalid',
      '-keyout',
      TLS_KEY,
      '-out',
      TLS_CERT,
    ],
    { encoding: 'utf8' },
  )
  if (status !== 0) throw new Error(stderr)
  return { TLS_CERT, TLS_KEY }
}
