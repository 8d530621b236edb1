import { offsetProgram } from '@pine/core/offset-text'
import { ladderOf, planViewOf } from '@pine/core/picture'
import { writeCsv } from '../csv/write-csv'
import { ladderSvg } from '../svg/ladder-svg'
import { planSvg } from '../svg/plan-svg'
import {
  SETUP_TABLES,
  setupTable,
  type SetupTableName,
  type TabledSetup,
} from '../tables/setup-tables'

/** What of a set-up leaves as text, each as a file of its own. */
export const TEXT_EXPORTS = [
  'offset-program',
  ...SETUP_TABLES.map((name) => `${name}-table` as const),
  'setup-file',
  'ladder-drawing',
  'plan-drawing',
] as const

export type TextExport =
  'offset-program' | `${SetupTableName}-table` | 'setup-file' | 'ladder-drawing' | 'plan-drawing'

/** Each drawing as a picture of points, and the drawing that it is of. */
export const PICTURES = {
  'ladder-picture': 'ladder-drawing',
  'plan-picture': 'plan-drawing',
} as const satisfies Readonly<Record<string, TextExport>>

export type PictureExport = keyof typeof PICTURES

export interface ExportedFile {
  readonly name: string
  readonly type: string
  readonly text: string
}

/** Who has it made, and when: what a file says of itself. */
export interface ExportRequest {
  readonly by: string
  readonly at: string
  /** SHA-256 of the set-up's file. */
  readonly hash: string
  /** Numbers of an offset program that nobody has proven. */
  readonly unproven: 'left-out' | 'marked'
}

/** How large drawings are made, in points. */
const DRAWN = { width: 420, height: 300 }

/** One file of a set-up. Its name is the job's, in letters that every file system takes. */
export function exportSetup(
  what: TextExport,
  setup: TabledSetup,
  request: ExportRequest,
): ExportedFile {
  const { document, solution, file } = setup
  const named = (ending: string) => `${fileStem(document.sheet.name)}-${ending}`
  switch (what) {
    case 'offset-program':
      return {
        name: named('offsets.nc'),
        type: 'text/plain; charset=us-ascii',
        text: offsetProgram(document, solution, request).text,
      }
    case 'setup-file':
      return {
        name: named('set-up.json'),
        type: 'application/json',
        text: `${JSON.stringify(file, null, 2)}\n`,
      }
    case 'ladder-drawing': {
      const { unit, decimals } = solution
      return {
        name: named('heights.svg'),
        type: 'image/svg+xml',
        text: ladderSvg(ladderOf(document, solution), { unit, decimals, ...DRAWN }),
      }
    }
    case 'plan-drawing': {
      const [first] = document.sheet.offsets
      return {
        name: named('plan.svg'),
        type: 'image/svg+xml',
        text: first === undefined ? '' : planSvg(planViewOf(document, solution, first), DRAWN),
      }
    }
    default: {
      const name = what.slice(0, -'-table'.length) as SetupTableName
      return {
        name: named(`${name}.csv`),
        type: 'text/csv; charset=utf-8',
        text: writeCsv(setupTable(name, setup)),
      }
    }
  }
}

/** A job's name as the beginning of a file name: letters of ASCII, digits and hyphens, forty at most. */
export function fileStem(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
  return plain.slice(0, 40) || 'set-up'
}
