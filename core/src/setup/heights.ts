import {
  EMPTY_CHAIN,
  meanOfChains,
  scaleChain,
  subtractChains,
  sumChains,
  type Chain,
} from '../chain/chain'
import { schoolReference, type SchoolKnowledge } from '../schools/schools'
import { planeUnderTouch } from './plane-under-touch'
import type { Reading, SetupDocument } from './document'
import type { OffsetPlan, OffsetRow } from './sheet'
import { standingReadings, type QuantityName } from './quantity'
import { planeShift } from './rebase'
import type { Heights } from './solution'
import type { SourceReader } from './sources'

type ReadingOf<Name extends Reading['of']> = Extract<Reading, { of: Name }>

/** Everything that Z readings tell: planes, tips, part tops, program zeros and the school's reference. */
export function heightsOf(document: SetupDocument, sources: SourceReader): Heights {
  const { sheet } = document
  const touch = touchReader(document, sources)
  const noseOnPlane =
    touch({ of: 'nose-on-plane' }, 'nose-at-contact') ?? planeByKnownTool(document, sources, touch)
  const tipOnPlane = known(
    sheet.tools.map(({ number }) => [number, tipOf(sources, touch, number, noseOnPlane)] as const),
  )
  const noseOnPart = known(
    sheet.offsets.map(
      ({ row }) => [row, touch({ of: 'nose-on-part', row }, 'nose-at-contact')] as const,
    ),
  )
  const tipOnPart = known(
    sheet.offsets.flatMap(({ row }) =>
      sheet.tools.map(
        ({ number }) =>
          [
            `${row} ${number}`,
            touch({ of: 'tip-on-part', tool: number, row }, 'tip-at-contact'),
          ] as const,
      ),
    ),
  )
  const partTop = partTops(document, sources, { noseOnPlane, tipOnPlane, noseOnPart, tipOnPart })
  const zero = known(
    sheet.offsets.map((plan) => {
      const top = partTop.get(plan.row)
      const facing = facingOf(document, sources, plan)
      return [plan.row, top && facing && subtractChains(top, facing)] as const
    }),
  )
  const reference = schoolReference(
    sheet.school,
    schoolKnowledge(document, sources, {
      noseOnPlane,
      tipOnPlane,
      partTop,
      noseOnPart,
      tipOnPart,
    }),
  )
  return {
    ...given('noseOnPlane', noseOnPlane),
    tipOnPlane,
    noseOnPart,
    tipOnPart,
    partTop,
    zero,
    ...given('reference', reference),
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
    ...given('partAbovePlane', first && heights.partTop.get(first.row)),
    ...given('masterOnPlane', master === undefined ? undefined : heights.tipOnPlane.get(master)),
    ...given('noseOnTop', first && heights.noseOnPart.get(first.row)),
    ...given(
      'masterOnTop',
      first && master !== undefined ? heights.tipOnPart.get(`${first.row} ${master}`) : undefined,
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

/** What program zero lies below the raw top. */
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

/** Reads the mean of the planes under every standing touch of a quantity. */
function touchReader(document: SetupDocument, sources: SourceReader) {
  return (
    quantity: Extract<
      QuantityName,
      { of: 'nose-on-plane' | 'tip-on-plane' | 'nose-on-part' | 'tip-on-part' }
    >,
    role: 'nose-at-contact' | 'tip-at-contact',
  ): Chain | undefined =>
    meanOfKnown(
      standingReadings(document, quantity).map((reading) => {
        const onPlane = quantity.of === 'nose-on-plane' || quantity.of === 'tip-on-plane'
        const shift = onPlane ? planeShift(document, sources, reading) : EMPTY_CHAIN
        const plane = planeUnderTouch(sources, reading, role)
        return plane && shift && sumChains(plane, shift)
      }),
    )
}

/** A tool or sensor of known length finds the plane in place of the bare nose: S = (S + L) − L. */
function planeByKnownTool(
  document: SetupDocument,
  sources: SourceReader,
  touch: TouchReader,
): Chain | undefined {
  for (const { number } of document.sheet.tools) {
    const length = sources.knownLength(number)
    if (length === undefined) continue
    const tip = touch({ of: 'tip-on-plane', tool: number }, 'tip-at-contact')
    if (tip !== undefined) return subtractChains(tip, length)
  }
  return undefined
}

/** Where a tip would touch the plane: by its own touch, or by its known length on the plane. */
function tipOf(
  sources: SourceReader,
  touch: TouchReader,
  tool: number,
  noseOnPlane: Chain | undefined,
): Chain | undefined {
  const touched = touch({ of: 'tip-on-plane', tool }, 'tip-at-contact')
  if (touched !== undefined) return touched
  const length = sources.knownLength(tool)
  return length && noseOnPlane && sumChains(noseOnPlane, length)
}

/** Raw tops above the plane, in the order of the fixtures: a later one may be counted from an earlier. */
function partTops(
  document: SetupDocument,
  sources: SourceReader,
  heights: { readonly noseOnPlane: Chain | undefined } & Pick<
    Heights,
    'tipOnPlane' | 'noseOnPart' | 'tipOnPart'
  >,
): ReadonlyMap<OffsetRow, Chain> {
  const { noseOnPlane, tipOnPlane, noseOnPart, tipOnPart } = heights
  const tops = new Map<OffsetRow, Chain>()
  const anyTip = (row: OffsetRow, only?: number): Chain | undefined => {
    // A tool that touched both the plane and the part carries the difference by itself.
    for (const [tool, onPlane] of tipOnPlane) {
      const onPart =
        only === undefined || tool === only ? tipOnPart.get(`${row} ${tool}`) : undefined
      if (onPart !== undefined) return subtractChains(onPart, onPlane)
    }
    return undefined
  }
  for (const { row, Z } of document.sheet.offsets) {
    const top = ((): Chain | undefined => {
      switch (Z.by) {
        case 'nose-on-part': {
          const touched = noseOnPart.get(row)
          return touched && noseOnPlane && subtractChains(touched, noseOnPlane)
        }
        case 'tool-on-part':
          return anyTip(row, Z.tool)
        case 'part-top':
          return anyTip(row)
        case 'fixture-difference': {
          const from = tops.get(Z.from)
          const difference = fixtureDifference(document, sources, row, Z.from)
          return from && difference && sumChains(from, difference)
        }
        case 'carried-difference':
          return carriedTop(document, sources, row)
      }
    })()
    if (top !== undefined) tops.set(row, top)
  }
  return tops
}

/** The raw top above the plane, by every standing difference that was carried there. */
function carriedTop(
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
): Chain | undefined {
  return meanOfKnown(
    standingReadings(document, { of: 'carried-difference', row })
      .filter(
        (reading): reading is ReadingOf<'carried-difference'> =>
          reading.of === 'carried-difference',
      )
      .map((reading) => carriedDifference(document, reading, sources)),
  )
}

/**
 * D = part − plane, positive upward. The counter shows D when it was zeroed on the plane and −D
 * when it was zeroed on the part; whatever lay beneath at each place is taken off there, and so is what
 * the screw shows too much where it was met from its other side.
 */
function carriedDifference(
  document: SetupDocument,
  reading: ReadingOf<'carried-difference'>,
  sources: SourceReader,
): Chain | undefined {
  const difference = upwardDifference(sources, reading, reading.zeroedOn === 'plane')
  const shift = planeShift(document, sources, reading)
  // A plane that lies higher now leaves less up to the part.
  return difference && shift && subtractChains(difference, shift)
}

/** What a counter says that its own end lies above the one it is counted from. */
function upwardDifference(
  sources: SourceReader,
  reading: ReadingOf<'carried-difference' | 'fixture-difference'>,
  countsUp: boolean,
): Chain | undefined {
  const counter = sources.reading(reading, 'counter')
  const between = sources.gapBetween(reading)
  return counter && between && subtractChains(scaleChain(counter, countsUp ? 1 : -1), between)
}

/** Raw top of a fixture above that of another. */
export function fixtureDifference(
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
  from: OffsetRow,
): Chain | undefined {
  return meanOfKnown(
    standingReadings(document, { of: 'fixture-difference', row, from })
      .filter(
        (reading): reading is ReadingOf<'fixture-difference'> =>
          reading.of === 'fixture-difference',
      )
      .map((reading) => upwardDifference(sources, reading, reading.zeroedOn === 'from')),
  )
}

/** Undefined when there is none, or when one of them could not be used. */
export function meanOfKnown(chains: readonly (Chain | undefined)[]): Chain | undefined {
  const usable = chains.filter((chain) => chain !== undefined)
  return usable.length === 0 || usable.length < chains.length ? undefined : meanOfChains(usable)
}

function known<Key extends number | string>(
  entries: readonly (readonly [Key, Chain | undefined])[],
): ReadonlyMap<Key, Chain> {
  return new Map(entries.flatMap(([key, chain]) => (chain ? [[key, chain] as const] : [])))
}

/** An optional field that is left out where it is not known. */
const given = <Name extends string>(
  name: Name,
  chain: Chain | undefined,
): Partial<Record<Name, Chain>> =>
  chain === undefined ? {} : ({ [name]: chain } as Record<Name, Chain>)
