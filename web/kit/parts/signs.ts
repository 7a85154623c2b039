/** Small signs beside words, as paths in a square of 24. */
export const SIGNS = {
  person: 'M12 12.5a4.5 4.5 0 1 0 0-9 4.5 4.5 0 0 0 0 9Zm-8 8.5c.8-4 4-6 8-6s7.2 2 8 6',
  sound: 'M4 9.5v5h3.5l5 4v-13l-5 4H4Zm12-1.5a5 5 0 0 1 0 8m2.5-10.5a8.5 8.5 0 0 1 0 13',
  check: 'm4.5 12.5 5 5 10-11',
  close: 'm6 6 12 12M18 6 6 18',
} as const
