const BYTES = 32

/** The secret of a one-time link: 32 random bytes in base64url, made here so that asking twice gives one link. */
export function newToken(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(BYTES))
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
}
