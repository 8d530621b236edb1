import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseSetupText } from '@pine/contract'
import { appendFact, type SetupFact } from '@pine/core/facts'
import { type SetupSheet } from '@pine/core/sheet'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { standing, type LoadedSetup } from '@/data/setup/standing'

export const NOW = '2026-03-02T10:00:00.000Z'
export const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira Toller' }
export const BEN = { id: '019aaaaa-0000-7000-8000-00000000cccc', name: 'Ben Okafor' }

export const mm = (text: string) => ({ text, unit: 'mm' as const })

/**
 * A set-up of docs/examples as a screen is given it. Worked there: a 50 mm setter, nose at −300, T1 at −220, so H1 is −270;
 * a 10 mm finder at −412.300 on the left face, which the drawing calls −60: X −347.300; the part 30 mm below the plane.
 *
 * @param facts how many of its facts there are yet; all, where it is not said.
 */
export function example(name: string, facts?: number, sheet: Partial<SetupSheet> = {}) {
  const text = readFileSync(join(__dirname, '../../../docs/examples', `${name}.json`), 'utf8')
  const file = JSON.parse(text)
  file.facts = file.facts.slice(0, facts)
  Object.assign(file.facts[0].body, sheet)
  const parsed = parseSetupText(JSON.stringify(file))
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  return standing(parsed.document, NOW)
}

/** The set-up once this was said, by Mira where nobody else is named. */
export const after = (setup: LoadedSetup, ...said: readonly FactDraft[]): LoadedSetup =>
  by(MIRA, setup, ...said)

export function by(
  author: { id: string; name: string },
  setup: LoadedSetup,
  ...said: readonly FactDraft[]
): LoadedSetup {
  const document = said.reduce(
    (before, one, index) =>
      appendFact(before, {
        via: 'typed',
        ...one,
        id: `019aaaaa-0000-7000-8000-${String(before.length * 100 + index).padStart(12, '0')}`,
        by: author,
        at: NOW,
      } as SetupFact),
    setup.document,
  )
  return standing(document, NOW)
}

export function registerAt(setup: LoadedSetup, wanted: string) {
  const found = setup.solution.registers.find(({ address }) => address === wanted)
  if (found === undefined) throw new Error(`no register ${wanted}`)
  return found
}
