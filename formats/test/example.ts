import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { parseSetupText } from '@pine/contract'
import { solve } from '@pine/core/solve'
import type { TabledSetup } from '../src/tables'
import { fontFiles } from '../src/pdf'

const EXAMPLES = join(__dirname, '../../docs/examples')

/** A set-up of docs/examples, with what it comes to. */
export function example(name: string): TabledSetup {
  const parsed = parseSetupText(readFileSync(join(EXAMPLES, `${name}.json`), 'utf8'))
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  return { document: parsed.document, file: parsed.file, solution: solve(parsed.document) }
}

export const FONTS = fontFiles(createRequire(__filename).resolve)
