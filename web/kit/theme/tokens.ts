/** The colours of one set, by what they are for. Text on `paper` reaches 4.5 : 1, marks 3 : 1. */
export interface Palette {
  paper: string
  /** A field lifted off the paper. */
  raised: string
  ink: string
  inkSoft: string
  pine: string
  pineSoft: string
  cornflower: string
  /** The tolerance band of a rail. */
  band: string
  ochre: string
  ochreSoft: string
  plum: string
  plumSoft: string
  mist: string
  /** Edges of things one can press: 3 : 1 against the paper. */
  edge: string
}

export const PALETTES = {
  light: {
    paper: '#F6F3EC',
    raised: '#FFFDF8',
    ink: '#22302F',
    inkSoft: '#4E5B59',
    pine: '#1F5A4E',
    pineSoft: '#DDE9E2',
    cornflower: '#3B66A8',
    band: '#D5DFEE',
    ochre: '#946200',
    ochreSoft: '#F3E6C8',
    plum: '#8A2F4D',
    plumSoft: '#F2DCE2',
    mist: '#DAD7CE',
    edge: '#7D8683',
  },
  dark: {
    paper: '#16201F',
    raised: '#1F2B2A',
    ink: '#ECE7DB',
    inkSoft: '#B4BDB8',
    pine: '#86CDB9',
    pineSoft: '#24423B',
    cornflower: '#9DBDF0',
    band: '#2C3E59',
    ochre: '#E0B054',
    ochreSoft: '#43371B',
    plum: '#EFA0B6',
    plumSoft: '#4A2431',
    mist: '#3B4846',
    edge: '#84918D',
  },
} as const satisfies Record<string, Palette>

export type Tone = keyof typeof PALETTES

export const TEXT_FONT = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
export const FIGURE_FONT = "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace"

/** Of charts, which no style sheet reaches; sizes in px. */
export const CHART_FONT = { family: TEXT_FONT, size: 15 }

/** Sizes in px: text and the least size of what one presses, at a desk and at the bar. */
export const SIZES = { desk: { text: 16, touch: 44 }, bar: { text: 20, touch: 56 } } as const
