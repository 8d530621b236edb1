import {
  importedSchema,
  importPreviewSchema,
  type Imported,
  type ImportPreview,
} from '@pine/contract'
import type { ImportList, ImportMapping } from '@pine/core/import-list'
import type { LengthUnit } from '@pine/core/length'
import { ask } from '../server/api'
import { showOutside } from './shown-outside'

/** How a file is to be read, as far as somebody chose it: the server guesses the rest. */
export interface ImportOptions {
  readonly columns?: ImportMapping
  readonly unit?: LengthUnit
  readonly decimal?: 'point' | 'comma'
  readonly machine?: string
}

/** No time limit, as the typed client has one: fifty thousand rows take the database ten seconds. */
function send(path: string, file: File, { columns, ...options }: ImportOptions): Promise<Response> {
  const query = new URLSearchParams({ name: file.name, ...options })
  if (columns !== undefined) query.set('columns', JSON.stringify(columns))
  return fetch(`/api/imports/${path}?${query}`, { method: 'POST', body: file })
}

/** A file as it would be imported; nothing is written by asking. */
export const previewImport = (
  list: ImportList,
  file: File,
  options: ImportOptions,
): Promise<ImportPreview> => ask(send(`${list}/preview`, file, options), importPreviewSchema)

/** Enters the rows in which nothing is wrong. Sent twice, they are entered once. */
export async function runImport(
  list: ImportList,
  file: File,
  options: ImportOptions,
): Promise<Imported> {
  const imported = await ask(send(list, file, options), importedSchema)
  await showOutside({ kind: list === 'tools' ? 'tool' : 'gauge', id: '' })
  return imported
}
