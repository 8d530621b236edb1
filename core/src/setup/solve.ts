import { scaleChain, subtractChains, valueOf, type Chain } from '../chain/chain'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { budgetOf } from '../budget/budget'
import { fitness } from '../budget/verdict'
import { nameOfReason, staleBy, staleByAge, type StaleReason } from '../freshness/stale'
import { keyInLine, type ActiveLength, type KeyInLine } from '../keyin/key-in'
import { roundToDisplay } from '../length/format-length'
import { readBackAgrees } from '../keyin/read-back'
import type { ReadLength } from '../length/read-length'
import { explain, knownSizes } from '../slips/explain'
import type { ReadBack, SetupDocument, SetupEvent } from './document'
import { axisOfAddress } from './address'
import type { OffsetRow, Tool } from './sheet'
import { standOf, type Subject } from './stand'
import { heightsOf, meanOfKnown } from './heights'
import { solveAxis, type AxisSolution } from './plan-axes'
import { needOf } from './needs'
import { readingsById } from './places'
import { quantityKey, standingReadings } from './quantity'
import { edgesOf } from './edges'
import { offsetsZ, toolLength } from './registers-z'
import type { Heights, ReadBackVerdict, Register, Solution } from './solution'
import { SourceReader } from './sources'
import { warningsOf } from './warnings'
import { proofWarnings } from '../proof/proof-warnings'
import { provenAddresses, proofVerdict, standingProofs } from '../proof/proven'
import { holdingOf, holdingWarnings } from '../workholding/holding'

/** When it is asked: core knows no clock. Without it no number is stale by age. */
export interface SolveMoment {
  /** ISO 8601 with zone. */
  readonly now?: string
}

/**
 * Works out every register of a set-up from its readings.
 *
 * Pure: the same document gives the same solution, digit for digit, in the browser, on the server
 * and on the command line. A number that cannot be read becomes a problem and leaves only what
 * depends on it unread.
 */
export function solve(document: SetupDocument, moment: SolveMoment = {}): Solution {
  const { sheet } = document
  const planeRow = sheet.reference?.planeRow
  const sources = new SourceReader(document)
  const heights = heightsOf(document, sources)
  const axes = sheet.offsets.flatMap((offset) =>
    (['X', 'Y'] as const).map((axis) => ({
      offset,
      axis,
      solved: solveAxis(document, sources, offset, axis),
    })),
  )
  const lengths = lengthsByTool(document, heights, sources)
  const registerFrom = registerBuilder(document, sources, moment, activeLengths(document, lengths))
  const offsetZ = offsetsZ(document, heights, sources, lengths)
  const registers = [
    ...sheet.tools.flatMap((tool) => [
      registerFrom(`H${tool.lengthRegister}`, 'length', lengths.get(tool.number), {
        of: 'tool',
        tool: tool.number,
      }),
      ...(tool.diameterRegister === undefined
        ? []
        : [
            registerFrom(
              `D${tool.diameterRegister}`,
              'diameter',
              toolDiameter(document, sources, tool),
              { of: 'tool', tool: tool.number },
            ),
          ]),
    ]),
    ...sheet.offsets.flatMap(({ row }) => [
      ...axes
        .filter(({ offset }) => offset.row === row)
        .map(({ axis, solved }) =>
          registerFrom(`${row}.${axis}`, 'work-offset', solved.register, { of: 'row', row }),
        ),
      registerFrom(`${row}.Z`, 'work-offset', offsetZ.get(row), { of: 'row', row }),
    ]),
    ...(planeRow === undefined
      ? []
      : [
          registerFrom(`${planeRow}.Z`, 'work-offset', planeOffset(heights, sources), {
            of: 'plane',
          }),
        ]),
  ]
  const explained = explainReadBacks(document, registers)
  const decimals = sheet.machine.control.decimals[sheet.unit]
  const shown = { registers: explained, unit: sheet.unit, decimals }
  const proofs = standingProofs(document).flatMap(
    (proof) => proofVerdict(document, shown, proof) ?? [],
  )
  const proven = provenAddresses(document, explained, proofs)
  const holding = holdingOf(sheet)
  const edges = edgesOf(document, sources)
  const sizes = axes.flatMap(({ solved }) => (solved.size ? [solved.size] : []))
  return {
    unit: sheet.unit,
    decimals,
    registers: explained.map((register) =>
      register.state === 'keyed' && proven.has(register.address)
        ? { ...register, state: 'proven' }
        : register,
    ),
    proofs,
    ...(holding && { holding }),
    sizes,
    edges,
    heights,
    faces: facesByKey(axes),
    warnings: [
      ...warningsOf(document, explained, sizes, edges, heights),
      ...proofWarnings(document, proofs),
      ...(holding ? holdingWarnings(holding) : []),
    ],
    problems: sources.problems,
  }
}

/** A row that keeps the setting plane: its Z is where the bare nose touches it, less what the control adds. */
function planeOffset({ noseOnPlane }: Heights, sources: SourceReader): Chain | undefined {
  const external = sources.externalOffset('Z')
  return noseOnPlane && external && subtractChains(noseOnPlane, external)
}

function lengthsByTool(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
): ReadonlyMap<number, Chain> {
  return new Map(
    document.sheet.tools.flatMap((tool) => {
      const length = toolLength(document, heights, sources, tool)
      return length ? [[tool.number, length] as const] : []
    }),
  )
}

/** What was measured over the widest points; the register of a control that keeps radii takes half. */
function toolDiameter(
  document: SetupDocument,
  sources: SourceReader,
  tool: Tool,
): Chain | undefined {
  const measured = meanOfKnown(
    standingReadings(document, { of: 'tool-diameter', tool: tool.number }).map((reading) =>
      sources.reading(reading, 'diameter'),
    ),
  )
  const keepsRadius = document.sheet.machine.control.diameterRegister === 'radius'
  return measured && (keepsRadius ? scaleChain(measured, 0.5) : measured)
}

function facesByKey(
  axes: readonly {
    readonly offset: { readonly row: OffsetRow }
    readonly solved: AxisSolution
  }[],
): ReadonlyMap<string, Chain> {
  return new Map(
    axes.flatMap(({ offset, solved }) =>
      [...solved.faces].map(
        ([face, chain]) => [quantityKey({ of: 'face', row: offset.row, face }), chain] as const,
      ),
    ),
  )
}

/** What the control applies for each tool whose length is known, as its register shows it. */
function activeLengths(
  { sheet: { tools, unit, machine } }: SetupDocument,
  lengths: ReadonlyMap<number, Chain>,
): ReadonlyMap<number, ActiveLength> {
  return new Map(
    tools.flatMap(({ number, lengthRegister }) => {
      const chain = lengths.get(number)
      if (chain === undefined) return []
      const applied = roundToDisplay(valueOf(chain), unit, machine.control.decimals[unit])
      return [[number, { address: `H${lengthRegister}`, applied }] as const]
    }),
  )
}

function registerBuilder(
  document: SetupDocument,
  sources: SourceReader,
  { now }: SolveMoment,
  lengths: ReadonlyMap<number, ActiveLength>,
) {
  const { unit, machine } = document.sheet
  const decimals = machine.control.decimals[unit]

  // The last number that the control showed for a register, by address and moment.
  const lastRow = new Map(
    document.readBacks.map(
      (readBack) => [`${readBack.address} ${readBack.moment}`, readBack] as const,
    ),
  )
  // What a control showed before it was switched to another unit proves nothing any more.
  const lastPlace = (isMeant: (kind: SetupEvent['kind']) => boolean) =>
    document.events.findLast(({ kind }) => isMeant(kind))?.place ?? -1
  const provenFrom = lastPlace((kind) => kind === 'unit-changed')
  // Carrying numbers over (by marks, a master, another external offset) makes others of them.
  const carriedOver = lastPlace((kind) => CARRY_OVER.includes(kind))
  const isOutdated = ({ place }: Shown, chain: Chain): boolean =>
    place < carriedOver || isOlder(place, chain, document)
  const lastShown = (address: string, moment: ReadBack['moment']): Shown | undefined => {
    const readBack = lastRow.get(`${address} ${moment}`)
    if (readBack === undefined) return undefined
    const { place } = readBack
    const shown = sources.length(readBack.shown, { place: `facts.${place}.body.shown` })
    return shown && { shown, place }
  }

  const verdict = (line: KeyInLine, chain: Chain): ReadBackVerdict | undefined => {
    const { address, expected } = line
    const last = lastShown(address, 'after')
    if (last === undefined || last.place < provenFrom) return undefined
    const { shown } = last
    const equal = readBackAgrees(line, shown, decimals)
    // Read again, or carried over, since: the control shows the number from before, to be keyed anew.
    if (!equal && isOutdated(last, chain)) return undefined
    return {
      shownText: shown.text,
      shownUnit: shown.unit,
      shown: shown.nm,
      equal,
      error: toNanometres(shown.nm - expected),
      causes: [],
    }
  }

  return (
    address: string,
    kind: Register['kind'],
    added: Chain | undefined,
    subject: Subject,
  ): Register => {
    if (added === undefined) return { address, kind, state: 'not-read' }
    // A control that subtracts a stored length holds it with the other sign.
    const turns = kind === 'length' && machine.control.lengthSign === 'subtracted'
    const chain = turns ? scaleChain(added, -1) : added
    const value = valueOf(chain)
    const axis = axisOfAddress(address)
    const external = kind === 'work-offset' ? sources.externalOffset(axis) : undefined
    const after = lastShown(address, 'after')
    const before = holdsNow(
      lastShown(address, 'before'),
      after && isOutdated(after, chain) ? after : undefined,
    )
    const keyIn = keyInLine(
      {
        address,
        kind,
        value,
        unit,
        ...(before === undefined ? {} : { before }),
        stand: standOf(document, chain, subject, axis, lengths),
        ...(external && { external: valueOf(external) }),
      },
      machine.control,
    )
    const readBack = verdict(keyIn, chain)
    const stale = staleReason(document, chain, now)
    const accepted = stale && acceptanceOf(document, address, stale)
    const budget = budgetOf(chain)
    const need = neededMm(document, sources, address)
    return {
      address,
      kind,
      state: stale && !accepted ? 'stale' : readBack?.equal ? 'keyed' : 'read',
      chain,
      value,
      keyIn,
      budget,
      ...(readBack && { readBack }),
      ...(stale && { stale }),
      ...(accepted && { accepted }),
      ...(need !== undefined && { fitness: fitness(budget.expandedMm, need) }),
    }
  }
}

const CARRY_OVER: readonly SetupEvent['kind'][] = ['home-recovered', 'rebased', 'external-changed']

interface Shown {
  readonly shown: ReadLength
  readonly place: number
}

/**
 * What a register holds before it is keyed: what was read for that, or what it was keyed to before the
 * number was read again, whichever was seen last.
 */
function holdsNow(before: Shown | undefined, outdated: Shown | undefined): Nanometres | undefined {
  const last = (before?.place ?? -1) > (outdated?.place ?? -1) ? before : outdated
  return last?.shown.nm
}

/** Whether something was read for a number after the control showed it: its place counts, not a clock. */
function isOlder(
  place: number,
  chain: Chain,
  { readings }: Pick<SetupDocument, 'readings'>,
): boolean {
  const byId = readingsById(readings)
  return chain.terms.some(
    ({ source }) => (byId.get(source.id.split(':')[0] ?? '')?.place ?? -1) > place,
  )
}

function staleReason(
  document: SetupDocument,
  chain: Chain,
  now: string | undefined,
): StaleReason | undefined {
  const event = staleBy(chain, document)
  if (event !== undefined) return { by: 'event', event }
  const days = document.sheet.machine.policy?.maxAgeDays
  return days === undefined || now === undefined ? undefined : staleByAge(chain, days, now)
}

const acceptanceOf = (document: SetupDocument, address: string, reason: StaleReason) =>
  document.acceptances.findLast(
    (one) => one.address === address && one.accepts === nameOfReason(reason),
  )

/** What the job needs of a register, in millimetres; undefined where it does not say. */
function neededMm(
  { sheet }: SetupDocument,
  sources: SourceReader,
  address: string,
): number | undefined {
  const need = needOf(sheet, address)
  const read = need && sources.length(need.written, { place: need.place, sign: 'positive' })
  return read && read.nm / NANOMETRES_PER.mm
}

/** Names the slips behind read-backs that differ: any other register's value may have slipped in. */
function explainReadBacks(
  document: SetupDocument,
  registers: readonly Register[],
): readonly Register[] {
  const { unit, machine, gauges } = document.sheet
  const decimals = machine.control.decimals[unit]
  return registers.map((register) => {
    const { readBack, keyIn, chain, kind, address } = register
    if (readBack === undefined || readBack.equal || keyIn === undefined || chain === undefined)
      return register
    const others = registers.flatMap((other) =>
      other.value === undefined || other.address === address
        ? []
        : [{ name: other.address, nm: other.value }],
    )
    const causes = explain({
      expected: keyIn.expected,
      observed: readBack.shown,
      unit,
      decimals,
      chain,
      kind,
      mode: keyIn.mode,
      gauges: knownSizes(gauges, axisOfAddress(address)),
      others,
      ...(keyIn.before === undefined ? {} : { before: keyIn.before }),
    })
    return { ...register, readBack: { ...readBack, causes } }
  })
}
