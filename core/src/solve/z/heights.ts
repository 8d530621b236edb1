import { meanOfKnown } from './mean-of-known'
import { partTops } from './part-tops'
import {
  chainOf,
  EMPTY_CHAIN,
  subtractChains,
  sumChains,
  sumOfKnown,
  type Chain,
} from '../../chain/chain'
import { toNanometres } from '../../length/length'
import { countingTouches } from '../../sources/counting-touches'
import { countedFrom } from '../../quantities/displayed'
import { schoolReference, schoolReferenceOnTop, type SchoolKnowledge } from '../../schools/schools'
import { heightFrom } from '../../sources/plane/height-from'
import type { SetupDocument } from '../../facts/document'
import type { OffsetPlan } from '../../sheet/offset-plan'
import { standingReadings } from '../../freshness/standing'
import { quantityKey, type QuantityName } from '../../quantities/quantities'
import type { Heights } from '../solution'
import type { SourceReader } from '../../sources/sources'

/** Everything that Z readings tell: planes, tips, part tops, program zeros and the school's reference. */
export function heightsOf(document: SetupDocument, sources: SourceReader): Heights {
  const { sheet } = document
  const touch = touchReader(document, sources)
  const noseOnPlane =
    touch({ of: 'nose-on-plane' }) ??
    planeByKnownTool(document, sources, touch) ??
    planeUnderNose(document)
  const tipOnPlane = known(
    sheet.tools.map(
      ({ number }) => [number, tipOf(document, sources, touch, number, noseOnPlane)] as const,
    ),
  )
  const noseOnPart = known(
    sheet.offsets.map(({ row }) => [row, touch({ of: 'nose-on-part', row })] as const),
  )
  const tipOnPart = known(
    sheet.offsets.flatMap(({ row }) =>
      sheet.tools.map(
        ({ number }) =>
          [
            quantityKey({ of: 'tip-on-part', row, tool: number }),
            touch({ of: 'tip-on-part', tool: number, row }),
          ] as const,
      ),
    ),
  )
  const partTop = partTops(document, sources, { noseOnPlane, tipOnPlane, noseOnPart, tipOnPart })
  const zero = known(
    sheet.offsets.map((plan) => {
      const top = partTop[plan.row]
      const facing = facingOf(document, sources, plan)
      return [plan.row, top && facing && subtractChains(top, facing)] as const
    }),
  )
  const knowledge = schoolKnowledge(document, sources, {
    noseOnPlane,
    tipOnPlane,
    partTop,
    noseOnPart,
    tipOnPart,
  })
  return {
    ...given('noseOnPlane', noseOnPlane),
    tipOnPlane,
    noseOnPart,
    tipOnPart,
    partTop,
    zero,
    ...given('reference', schoolReference(sheet.school, knowledge)),
    ...given('referenceOnTop', schoolReferenceOnTop(sheet.school, knowledge)),
  }
}

/** What a school may count from, as far as this set-up has read it or declares it. */
export function schoolKnowledge(
  document: SetupDocument,
  sources: SourceReader,
  heights: Pick<Heights, 'tipOnPlane' | 'partTop' | 'noseOnPart' | 'tipOnPart'> & {
    readonly noseOnPlane?: Chain | undefined
  },
): SchoolKnowledge {
  const { reference, offsets } = document.sheet
  const master = reference?.masterTool
  const [first] = offsets
  return {
    ...given('noseOnPlane', heights.noseOnPlane),
    ...given('partAbovePlane', first && heights.partTop[first.row]),
    ...given('masterOnPlane', master === undefined ? undefined : heights.tipOnPlane[master]),
    ...given('noseOnTop', first && heights.noseOnPart[first.row]),
    ...given(
      'masterOnTop',
      first && master !== undefined
        ? heights.tipOnPart[quantityKey({ of: 'tip-on-part', row: first.row, tool: master })]
        : undefined,
    ),
    ...given('constant', declaredConstant(document, sources)),
    ...given('masterLength', declaredMasterLength(document, sources)),
  }
}

/** K of H = L − K; nothing where the sheet declares none. */
export function declaredConstant(
  { sheet: { reference } }: { readonly sheet: Pick<SetupDocument['sheet'], 'reference'> },
  sources: SourceReader,
): Chain | undefined {
  if (reference?.constant === undefined) return EMPTY_CHAIN
  return sources.declared(
    reference.constant,
    'sheet.reference.constant',
    'school-constant',
    'constant K',
    { uncertainty: reference.constantUncertainty },
  )
}

/** The length that the master is declared with; nothing where the sheet declares none. */
export function declaredMasterLength(
  { sheet: { reference } }: SetupDocument,
  sources: SourceReader,
): Chain | undefined {
  if (reference?.masterLength === undefined) return EMPTY_CHAIN
  return sources.declared(
    reference.masterLength,
    'sheet.reference.masterLength',
    'school-constant',
    'declared master length',
    { uncertainty: reference.masterLengthUncertainty },
  )
}

/** What program zero lies below the stock top. */
export function facingOf(
  document: SetupDocument,
  sources: SourceReader,
  plan: OffsetPlan,
): Chain | undefined {
  const place = `sheet.offsets.${document.sheet.offsets.indexOf(plan)}.Z.facing`
  return sources.declared(plan.Z.facing, place, 'facing', `facing allowance of ${plan.row}`, {
    sign: 'not-negative',
  })
}

type TouchReader = ReturnType<typeof touchReader>

/** Reads the mean of what every standing touch of a quantity tells. */
const touchReader =
  (document: SetupDocument, sources: SourceReader) =>
  (quantity: QuantityName): Chain | undefined =>
    meanOfKnown(
      countingTouches(document, sources, quantity).counting.flatMap((reading) =>
        countedFrom(reading) === undefined ? [heightFrom(document, sources, reading)] : [],
      ),
    )

/**
 * The setting plane that nobody touched by itself, where tools were read on a counter zeroed there by the bare nose: it cancels in
 * their lengths.
 */
const planeUnderNose = (document: SetupDocument): Chain | undefined =>
  toolsCountedFrom(document).has(null) ? unknownHeight('nose on the plane') : undefined

const unknownHeight = (name: string): Chain =>
  chainOf(
    {
      id: `unknown ${name}`,
      kind: 'declared',
      name,
      length: { nm: toNanometres(0), unit: 'mm', decimals: 0, text: '?' },
      isUnknown: true,
    },
    'counter-zero',
  )

/** The tools, or the bare nose, that the counter was zeroed with on the setting plane. */
const toolsCountedFrom = (document: SetupDocument): ReadonlySet<number | null | undefined> =>
  new Set(
    document.sheet.tools.flatMap(({ number }) =>
      standingReadings(document, { of: 'tip-on-plane', tool: number }).map(countedFrom),
    ),
  )

/** A tool or sensor of known length finds the plane in place of the bare nose: S = (S + L) − L. */
function planeByKnownTool(
  document: SetupDocument,
  sources: SourceReader,
  touch: TouchReader,
): Chain | undefined {
  for (const { number } of document.sheet.tools) {
    const length = sources.knownLength(number)
    if (length === undefined) continue
    const tip = touch({ of: 'tip-on-plane', tool: number })
    if (tip !== undefined) return subtractChains(tip, length)
  }
  return undefined
}

/** Where a tip would touch the plane: by its own touch, or by its known length on the plane. */
function tipOf(
  document: SetupDocument,
  sources: SourceReader,
  touch: TouchReader,
  tool: number,
  noseOnPlane: Chain | undefined,
): Chain | undefined {
  const touched =
    touch({ of: 'tip-on-plane', tool }) ??
    tipBeyond(document, sources, tool, (other) =>
      other === null
        ? noseOnPlane
        : other === tool
          ? undefined
          : (touch({ of: 'tip-on-plane', tool: other }) ?? unknownHeight(`T${other} on the plane`)),
    )
  if (touched !== undefined) return touched
  if (toolsCountedFrom(document).has(tool)) return unknownHeight(`T${tool} on the plane`)
  const length = sources.knownLength(tool)
  return length && noseOnPlane && sumChains(noseOnPlane, length)
}

/** A tip that was read on a counter zeroed on the plane by the nose or by another tool: so much beyond where that stood. */
function tipBeyond(
  document: SetupDocument,
  sources: SourceReader,
  tool: number,
  standsAt: (other: number | null) => Chain | undefined,
): Chain | undefined {
  return meanOfKnown(
    countingTouches(document, sources, { of: 'tip-on-plane', tool }).counting.flatMap((reading) => {
      const from = countedFrom(reading)
      return from === undefined
        ? []
        : [sumOfKnown([standsAt(from), heightFrom(document, sources, reading)])]
    }),
  )
}

function known<Key extends number | string>(
  entries: readonly (readonly [Key, Chain | undefined])[],
): Readonly<Record<Key, Chain>> {
  return Object.fromEntries(
    entries.flatMap(([key, chain]) => (chain ? [[key, chain] as const] : [])),
  ) as Readonly<Record<Key, Chain>>
}

/** An optional field that is left out where it is not known. */
const given = <Name extends string>(
  name: Name,
  chain: Chain | undefined,
): Partial<Record<Name, Chain>> =>
  chain === undefined ? {} : ({ [name]: chain } as Record<Name, Chain>)
