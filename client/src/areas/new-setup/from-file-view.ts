import { registerName } from '@pine/core/address'
import { isReleased, type SetupFile } from '@pine/core/facts'
import { formatLength } from '@pine/core/length'
import { typographic } from '@pine/core/words'
import type { MachineEntry, SetupFilePreview } from '@pine/contract'
import { standingAsOf } from '@/areas/compare/compare-view'
import { momentWords } from '@/kit/when'

/** A set-up file that was picked, as it is looked at before anything is begun. */
export interface FromFileView {
  readonly title: string
  /** The machine that it was set up on, who worked at it, and when. */
  readonly about: string
  readonly standing: string
  /** Each register that had a number, with it. */
  readonly lines: readonly { readonly name: string; readonly value: string }[]
  /** What of the shop does not fit it. */
  readonly cautions: readonly string[]
}

/** What a file holds, for the shop as it is today. */
export function fromFileView(
  file: SetupFile,
  shop: {
    readonly machine: MachineEntry | undefined
    readonly gauges: readonly { readonly id: string }[]
  },
): FromFileView {
  const { document, solution } = standingAsOf(file)
  const { sheet } = document
  const { unit, decimals } = solution
  const people = [...new Set(file.facts.map(({ by }) => by.name))]
  const [first, last] = [file.facts[0], file.facts.at(-1)]
  const unknown = sheet.gauges.filter(({ id }) => !shop.gauges.some((one) => one.id === id))
  return {
    title: sheet.name,
    about: [
      sheet.machine.name,
      people.join(', '),
      ...(first && last ? [`${momentWords(first.at)} to ${momentWords(last.at)}`] : []),
    ].join(' · '),
    standing: isReleased(document) ? 'It was released.' : 'It was never released.',
    lines: solution.registers.flatMap(({ address, value }) =>
      value === undefined
        ? []
        : [
            {
              name: registerName(address),
              value: `${typographic(formatLength(value, unit, decimals))} ${unit}`,
            },
          ],
    ),
    cautions: [
      ...(shop.machine === undefined
        ? [`No machine of this shop is called ${sheet.machine.name}: pick the one that it is for.`]
        : []),
      ...(unknown.length > 0
        ? [
            `Not among the gauges of this shop: ${unknown.map(({ name }) => name).join(', ')}. Their sizes are the ones in the file: check them before you trust them.`,
          ]
        : []),
    ],
  }
}

/** What is wrong with a file that is no sound set-up file. */
export function fileProblems({
  problems,
  problemsInAll,
}: Pick<SetupFilePreview, 'problems' | 'problemsInAll'>): readonly string[] {
  const [first] = problems
  if (first !== undefined && problemsInAll === 1) return [`${first.message} ${first.remedy}`]
  const untold = problemsInAll - problems.length
  return [...problems.map(({ message }) => message), ...(untold > 0 ? [`And ${untold} more.`] : [])]
}
