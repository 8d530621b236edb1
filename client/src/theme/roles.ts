/**
 * Colours by role, not by hue (docs/design.md). A surveyor's field book by day; spruce and bone in
 * a dim shop. Every pair that carries text is at least AA; numbers are AAA on paper and card.
 */
export interface Roles {
  /** The page, and a sheet of paper lying on it. */
  readonly paper: string
  readonly card: string
  readonly ink: string
  readonly inkSoft: string
  readonly line: string
  /** The edge of something that can be used: 3:1 on paper. */
  readonly edge: string
  /** What is ours to act on. */
  readonly act: string
  readonly onAct: string
  /** What was read. */
  readonly read: string
  readonly readPaper: string
  readonly caution: string
  readonly cautionPaper: string
  readonly cautionMark: string
  /** What disagrees, or is stale. */
  readonly wrong: string
  readonly wrongPaper: string
  /** Where the keys lie, and a key. */
  readonly tray: string
  readonly key: string
  /** Stock, iron and gauges in the drawings. */
  readonly stock: string
  readonly metal: string
  readonly gauge: string
}

export const LIGHT: Roles = {
  paper: '#f8f5ee',
  card: '#fffefb',
  ink: '#16211c',
  inkSoft: '#4a5750',
  line: '#d9d3c4',
  edge: '#857f6d',
  act: '#1d5c46',
  onAct: '#ffffff',
  read: '#1b5182',
  readPaper: '#e3ebf4',
  caution: '#573700',
  cautionPaper: '#fbeeda',
  cautionMark: '#935700',
  wrong: '#9c2018',
  wrongPaper: '#fae7e3',
  tray: '#ece8db',
  key: '#fffefb',
  stock: '#dbe4ee',
  metal: '#c8cec9',
  gauge: '#f1e6cf',
}

export const DARK: Roles = {
  paper: '#0f1a16',
  card: '#16241f',
  ink: '#f1ecdf',
  inkSoft: '#b9c2b8',
  line: '#2d3f37',
  edge: '#7d9085',
  act: '#74cfa6',
  onAct: '#06231a',
  read: '#93c7f3',
  readPaper: '#173149',
  caution: '#f7dcae',
  cautionPaper: '#392a10',
  cautionMark: '#f0b250',
  wrong: '#ffa294',
  wrongPaper: '#43211c',
  tray: '#0a1310',
  key: '#1f332b',
  stock: '#22394f',
  metal: '#43534c',
  gauge: '#463c25',
}
