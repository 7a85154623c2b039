import { ENDPOINTS } from '@calm-apron/contract'
import { newToken } from './newToken.ts'

test('a secret is 32 bytes in base64url, as the contract takes it, and never the same twice', () => {
  const tokens = Array.from({ length: 200 }, newToken)
  for (const token of tokens) {
    expect(ENDPOINTS.lookAtInvitation.body.safeParse({ token }).success).toBe(true)
    expect(Buffer.from(token, 'base64url')).toHaveLength(32)
  }
  expect(new Set(tokens).size).toBe(tokens.length)
})
