import { createRequire } from 'node:module'
import { lengthWords } from '@pine/core/words'
import { momentOnPaper } from '@pine/formats/moment'
import type { PaperSize } from '@pine/formats/paper-size'
import { cribListPdf, fontFiles, labelsPdf } from '@pine/formats/pdf'
import type { Member } from '@pine/contract'
import type { Clock } from '../clock'
import { accept, type Outcome } from '../refusal'
import type { Store } from '../store/store'
import { pocketsOf } from './facts/pockets'
import { machinesOf, noMachine } from './shop'

/** Fonts of the product, where its packages are installed. */
export const FONTS = fontFiles(createRequire(import.meta.url).resolve)

export interface PaperAsked {
  readonly paper: PaperSize
  /** Minutes that the clock of whoever prints is east of UTC. */
  readonly zone: number | undefined
}

/** What is in the changer of a machine, on paper. */
export async function printedCribList(
  store: Store,
  clock: Clock,
  person: Member,
  id: string,
  asked: PaperAsked,
): Promise<Outcome<NodeJS.ReadableStream>> {
  const machine = (await machinesOf(store)).find((one) => one.id === id)?.machine
  if (machine === undefined) return noMachine(id)
  const pockets = await pocketsOf(store, clock, id)
  const tools = pockets
    .toSorted((one, other) => one.pocket - other.pocket)
    .map(({ tool, lastLength }) => ({ tool, measured: lastLength ? lengthWords(lastLength) : '' }))
  const about = { machine: machine.name, pockets: machine.pockets, tools }
  return accept(cribListPdf(about, requestOf(clock, person, asked)))
}

/** Labels of the tools in the changer of a machine, in sheets of a size that is sold. */
export async function printedLabels(
  store: Store,
  clock: Clock,
  person: Member,
  id: string,
  { origin, ...asked }: PaperAsked & { readonly origin: string },
): Promise<Outcome<NodeJS.ReadableStream>> {
  const machine = (await machinesOf(store)).find((one) => one.id === id)?.machine
  if (machine === undefined) return noMachine(id)
  const labels = (await pocketsOf(store, clock, id)).map(
    ({ id: tool, pocket, tool: { name } }) => ({
      ...{ name, place: `${machine.name}, pocket ${pocket}` },
      ...{ code: tool.slice(-8).toUpperCase(), link: `${origin}/tools/${tool}` },
    }),
  )
  return accept(await labelsPdf(labels, requestOf(clock, person, asked)))
}

const requestOf = (clock: Clock, { name }: Member, { paper, zone }: PaperAsked) => ({
  ...{ size: paper, fonts: FONTS, at: clock(), author: name },
  foot: `Printed for ${name}, ${momentOnPaper(clock().toISOString(), zone)}`,
})
