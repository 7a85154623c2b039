/** Fixed ids of the demo's records, so that loading it twice is loading it once. */
export function demoId(kind: keyof typeof KINDS, number: number): string {
  return `019a5c00-0000-7${KINDS[kind]}-8000-${number.toString(16).padStart(12, '0')}`
}

const KINDS = {
  academy: '001',
  person: '002',
  recipe: '003',
  coffee: '005',
  bag: '006',
  bar: '007',
  grinder: '008',
  vessel: '009',
  shot: '00a',
  machine: '00b',
  basket: '00c',
  tool: '00d',
  scale: '00e',
  water: '00f',
  routine: '010',
  caution: '011',
  training: '012',
  event: '013',
  call: '014',
  slip: '015',
  ruling: '016',
  revision: '017',
  programme: '018',
} as const
