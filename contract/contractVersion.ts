/**
 * The shape of requests and answers that this release speaks. A page names it with each request; those of the first
 * release named none, and are answered as they were then. Raised with the first change after `npm run keep-release`:
 * what names less is answered as the kept release did.
 */
export const CONTRACT_VERSION = 2
/** Under which a page names the version it speaks. */
export const CONTRACT_HEADER = 'Calm-Apron-Contract'
