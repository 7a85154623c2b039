import { readEnvironment } from './environment.ts'

const NEEDED = { DATABASE_URL: 'postgresql://app@127.0.0.1/apron', WEB_FOLDER: '/web' }
const read = (variables: NodeJS.ProcessEnv) => readEnvironment({ ...NEEDED, ...variables })

test('without a word it listens on loopback, trusts no proxy, and lets nobody in without a password', () => {
  expect(read({})).toMatchObject({
    host: '127.0.0.1',
    publicOrigin: null,
    trustProxy: false,
    tls: null,
    isSecure: false,
    demoSignIn: false,
  })
})

test('cookies are for https where browsers come by https, here or at a proxy in front', () => {
  expect(read({ TLS_CERT: 'cert.pem', TLS_KEY: 'key.pem' })).toMatchObject({
    isSecure: true,
    tls: { certFile: 'cert.pem', keyFile: 'key.pem' },
  })
  expect(read({ PUBLIC_ORIGIN: 'https://bar.example' }).isSecure).toBe(true)
  expect(read({ PUBLIC_ORIGIN: 'http://bar.example' }).isSecure).toBe(false)
})

test('proxies are named by address; an empty variable counts as left out', () => {
  expect(read({ TRUST_PROXY: 'loopback, 10.0.0.1' }).trustProxy).toBe('loopback, 10.0.0.1')
  expect(read({ TRUST_PROXY: '', PUBLIC_ORIGIN: '' })).toMatchObject({
    trustProxy: false,
    publicOrigin: null,
  })
})

test.each([
  [{ PUBLIC_ORIGIN: 'bar.example' }, 'PUBLIC_ORIGIN'],
  [{ PUBLIC_ORIGIN: 'https://bar.example/app' }, 'PUBLIC_ORIGIN'],
  [{ TLS_CERT: 'cert.pem' }, 'TLS_KEY'],
  [{ PORT: '70000' }, 'PORT'],
  [{ TRUST_PROXY: '2' }, 'TRUST_PROXY'],
  [{ DATABASE_URL: '' }, 'DATABASE_URL'],
])('%j is refused by the name %s', (variables, name) => {
  expect(() => read(variables)).toThrow(name)
})
