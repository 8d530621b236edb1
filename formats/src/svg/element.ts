/** An element of a drawing as text, with what stands within it. */
export function element(
  name: string,
  attributes: Readonly<Record<string, string | number | undefined>>,
  ...within: readonly string[]
): string {
  const written = Object.entries(attributes)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]) => ` ${key}="${escaped(rounded(value!))}"`)
    .join('')
  return within.length === 0
    ? `<${name}${written}/>`
    : `<${name}${written}>${within.join('')}</${name}>`
}

/** A drawing of its own, in its own unit of length: a point of paper, 1/72 inch. */
export const drawing = (
  { width, height, title }: { width: number; height: number; title: string },
  ...within: readonly string[]
): string =>
  element(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width,
      height,
      viewBox: `0 0 ${width} ${height}`,
      role: 'img',
    },
    element('title', {}, escaped(title)),
    ...within,
  )

/** Faces by which whoever shows the drawing finds a font; numbers stand in columns. */
const FACES = {
  words: 'Atkinson Hyperlegible Next, sans-serif',
  numbers: 'Atkinson Hyperlegible Mono, monospace',
}

export interface Label {
  readonly x: number
  readonly y: number
  readonly text: string
  readonly face?: keyof typeof FACES
  readonly size?: number
  readonly anchor?: 'start' | 'middle' | 'end'
  readonly bold?: boolean
}

export const label = ({
  x,
  y,
  text,
  face = 'words',
  size = 10,
  anchor = 'start',
  bold,
}: Label): string =>
  element(
    'text',
    {
      x,
      y,
      'font-family': FACES[face],
      'font-size': size,
      'text-anchor': anchor,
      'font-weight': bold === true ? 'bold' : undefined,
      fill: INK,
    },
    escaped(text),
  )

/** On paper nothing is told by colour: a copier has none. */
export const INK = '#000000'
export const STOCK = '#e4e4e4'
export const METAL = '#c4c4c4'

const rounded = (value: string | number): string =>
  typeof value === 'number' ? String(Math.round(value * 100) / 100) : value

/** A text as it may stand between two tags, or in an attribute. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ESCAPES[sign] ?? sign)
const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
}
