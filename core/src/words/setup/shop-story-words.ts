import { SHOP_FIELDS, type ShopBodies } from '../../shop/bodies'
import type { ToolHappening } from '../../shop/tool-properties'
import { lengthWords } from '../typographic'
import type { StoryKind } from './story-words'

/** A fact of a machine, a gauge or a tool as somebody tells it. */
export interface ShopStory {
  readonly tells: StoryKind
  readonly words: string
}

type Declared = Partial<{
  readonly reason: string
  readonly retired: true
  readonly imported: Imported
}>
type Imported = NonNullable<ShopBodies['tool']['tool']['imported']>

const declared = ({ reason, retired, imported }: Declared, place: number): ShopStory => {
  if (imported !== undefined)
    return { tells: 'other', words: `Imported from ${imported.file}, row ${imported.row}.` }
  if (place === 0) return { tells: 'other', words: 'Declared.' }
  const why = reason === undefined ? '' : `: ${reason}`
  return retired === true
    ? { tells: 'changed', words: `Put out of use${why}` }
    : { tells: 'changed', words: `Declared anew${why}` }
}

const HAPPENED: Readonly<Record<ToolHappening, string>> = {
  replaced: 'Replaced',
  're-gripped': 'Re-gripped',
  're-ground': 'Re-ground',
  broken: 'Broken',
  'out-of-holder': 'Taken out of its holder',
}

const noted = (words: string, note: string): string =>
  note === '' ? `${words}.` : `${words}: ${note}`

const STORY: {
  readonly [Stream in keyof ShopBodies]: {
    readonly [Kind in keyof ShopBodies[Stream]]: (
      body: ShopBodies[Stream][Kind],
      place: number,
    ) => ShopStory
  }
} = {
  machine: {
    machine: declared,
    'machine-event': ({ what, plane, note }) => ({
      tells: 'changed',
      words: noted(
        what === 'home-lost' ? 'Home was lost' : `The setting plane ${plane ?? ''} was moved`,
        note,
      ),
    }),
    'reversal-test': ({ axis, pairs }) => ({
      tells: 'measured',
      words: `Backlash of ${axis} was tested at ${pairs.length} places.`,
    }),
  },
  gauge: {
    gauge: declared,
    'gauge-check': ({ read, against, master }) => ({
      tells: 'measured',
      words: `Checked: read ${lengthWords(read)} against ${against}, ${lengthWords(master)}.`,
    }),
  },
  tool: {
    tool: declared,
    'tool-event': ({ what, note }) => ({ tells: 'changed', words: noted(HAPPENED[what], note) }),
  },
}

/** Tells a fact of a stream of the shop; undefined of a kind that is none of its. */
export function describeShopFact(
  stream: keyof ShopBodies,
  kind: string,
  body: object,
  place: number,
): ShopStory | undefined {
  if (!(kind in SHOP_FIELDS[stream])) return undefined
  const tell = (
    STORY[stream] as Readonly<Record<string, (body: never, place: number) => ShopStory>>
  )[kind]
  return tell?.(body as never, place)
}
