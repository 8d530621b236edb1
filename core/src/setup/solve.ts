import { scaleChain, valueOf, type Chain, type Term } from '../chain/chain'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { budgetOf } from '../budget/budget'
import { fitness } from '../budget/verdict'
import { staleBy } from '../freshness/stale'
import { keyInLine, type KeyInLine } from '../keyin/key-in'
import { readBackAgrees } from '../keyin/read-back'
import { readLength } from '../length/read-length'
import { explain, type KnownSize } from '../slips/explain'
import type { ReadBack, SetupDocument } from './document'
import type { Gauge, OffsetRow, Tool } from './sheet'
import { heightsOf, meanOfKnown } from './heights'
import { solveAxis, type AxisSolution } from './plan-axes'
import { needOf } from './needs'
import { quantityKey, standingReadings } from './quantity'
import { offsetsZ, toolLength } from './registers-z'
import type { Heights, ReadBackVerdict, Register, Solution } from './solution'
import { SourceReader } from './sources'
import { warningsOf } from './warnings'

/**
 * Works out every register of a set-up from its readings.
 *
 * Pure: the same document gives the same solution, digit for digit, in the browser, on the server
 * and on the command line. A number that cannot be read becomes a problem and leaves only what
 * depends on it unread.
 */
export function solve(document: SetupDocument): Solution {
  const { sheet } = document
  const sources = new SourceReader(document)
  const heights = heightsOf(document, sources)
  const axes = sheet.offsets.flatMap((offset) =>
    (['X', 'Y'] as const).map((axis) => ({
      offset,
      axis,
      solved: solveAxis(document, sources, offset, axis),
    })),
  )
  const registerFrom = registerBuilder(document, sources)
  const lengths = lengthsByTool(document, heights, sources)
  const offsetZ = offsetsZ(document, heights, sources, lengths)
  const registers = [
    ...sheet.tools.flatMap((tool) => [
      registerFrom(`H${tool.lengthRegister}`, 'length', lengths.get(tool.number)),
      ...(tool.diameterRegister === undefined
        ? []
        : [
            registerFrom(
              `D${tool.diameterRegister}`,
              'diameter',
              toolDiameter(document, sources, tool),
            ),
          ]),
    ]),
    ...sheet.offsets.flatMap(({ row }) => [
      ...axes
        .filter(({ offset }) => offset.row === row)
        .map(({ axis, solved }) => registerFrom(`${row}.${axis}`, 'work-offset', solved.register)),
      registerFrom(`${row}.Z`, 'work-offset', offsetZ.get(row)),
    ]),
  ]
  const explained = explainReadBacks(document, registers)
  const sizes = axes.flatMap(({ solved }) => (solved.size ? [solved.size] : []))
  return {
    unit: sheet.unit,
    decimals: sheet.machine.control.decimals[sheet.unit],
    registers: explained,
    sizes,
    heights,
    faces: facesByKey(axes),
    warnings: warningsOf(document, explained, sizes),
    problems: sources.problems,
  }
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
    standingReadings(document.readings, { of: 'tool-diameter', tool: tool.number }).map((reading) =>
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

function registerBuilder(document: SetupDocument, sources: SourceReader) {
  const { unit, machine } = document.sheet
  const decimals = machine.control.decimals[unit]

  const order = new Map(document.readings.map(({ id }, index) => [id, index] as const))
  // The last number that the control showed for a register, by address and moment.
  const lastRow = new Map(
    document.readBacks.map(
      ({ address, moment }, index) => [`${address} ${moment}`, index] as const,
    ),
  )
  const lastShown = (address: string, moment: ReadBack['moment']) => {
    const index = lastRow.get(`${address} ${moment}`) ?? -1
    const readBack = document.readBacks[index]
    return readBack && sources.length(readBack.shown, { place: `readBacks.${index}.shown` })
  }

  const verdict = (line: KeyInLine): ReadBackVerdict | undefined => {
    const { address, expected } = line
    const shown = lastShown(address, 'after')
    if (shown === undefined) return undefined
    const equal = readBackAgrees(line, shown, decimals)
    return {
      shownText: shown.text,
      shownUnit: shown.unit,
      shown: shown.nm,
      equal,
      error: toNanometres(shown.nm - expected),
      causes: [],
    }
  }

  return (address: string, kind: Register['kind'], added: Chain | undefined): Register => {
    if (added === undefined) return { address, kind, state: 'not-read' }
    // A control that subtracts a stored length holds it with the other sign.
    const turns = kind === 'length' && machine.control.lengthSign === 'subtracted'
    const chain = turns ? scaleChain(added, -1) : added
    const value = valueOf(chain)
    const before = lastShown(address, 'before')?.nm
    const keyIn = keyInLine(
      {
        address,
        kind,
        value,
        unit,
        ...(before === undefined ? {} : { before }),
        ...standsAt(chain, order),
      },
      machine.control,
    )
    const readBack = verdict(keyIn)
    const stale = staleBy(chain, document)
    const budget = budgetOf(chain)
    const need = neededMm(document, sources, address)
    return {
      address,
      kind,
      state: stale ? 'stale' : readBack?.equal ? 'keyed' : 'read',
      chain,
      value,
      keyIn,
      budget,
      ...(readBack && { readBack }),
      ...(stale && { stale }),
      ...(need !== undefined && { fitness: fitness(budget.expandedMm, need) }),
    }
  }
}

/**
 * Where the axis stood at the last touch of a number. A tip does not count: whether the control has
 * a length active, and would take it off, is not known.
 */
function standsAt(
  chain: Chain,
  order: ReadonlyMap<string, number>,
): { readonly standsAt?: Nanometres } {
  const touches = chain.terms.filter(
    ({ role }) => role === 'axis-at-contact' || role === 'nose-at-contact',
  )
  const placeOf = ({ source }: Term) => order.get(source.id) ?? -1
  const last = touches.reduce<Term | undefined>(
    (latest, term) => (latest && placeOf(latest) > placeOf(term) ? latest : term),
    undefined,
  )
  return last && placeOf(last) >= 0 ? { standsAt: last.source.length.nm } : {}
}

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
  const sizes = knownSizes(gauges)
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
      gauges: sizes,
      others,
      ...(keyIn.before === undefined ? {} : { before: keyIn.before }),
    })
    return { ...register, readBack: { ...readBack, causes } }
  })
}

/** Sizes of gauges that can be read; what cannot is told elsewhere. */
function knownSizes(gauges: readonly Gauge[]): readonly KnownSize[] {
  return gauges.flatMap(({ name, size }) => {
    const read = readLength(size)
    return read.ok ? [{ name, nm: read.value.nm }] : []
  })
}
