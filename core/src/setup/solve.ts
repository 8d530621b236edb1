import { valueOf, type Chain } from '../chain/chain'
import { toNanometres } from '../length/length'
import { keyInLine, type KeyInLine } from '../keyin/key-in'
import { readBackAgrees } from '../keyin/read-back'
import { lengthRegister, workOffsetZ } from '../schools/schools'
import { explain } from '../slips/explain'
import type { ReadBack, SetupDocument } from './document'
import { heightsOf } from './heights'
import { solveAxis, type AxisSolution } from './plan-axes'
import { quantityKey } from './quantity'
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
  const registers = [
    ...sheet.tools.map((tool) =>
      registerFrom(
        `H${tool.lengthRegister}`,
        'length',
        lengthRegister(sheet.school, heights.tipOnPlane.get(tool.number), heights.noseOnPlane),
      ),
    ),
    ...sheet.offsets.flatMap(({ row }) => [
      ...axes
        .filter(({ offset }) => offset.row === row)
        .map(({ axis, solved }) => registerFrom(`${row}.${axis}`, 'work-offset', solved.register)),
      registerFrom(`${row}.Z`, 'work-offset', offsetZ(document, heights, row)),
    ]),
  ]
  const sizes = axes.flatMap(({ solved }) => (solved.size ? [solved.size] : []))
  return {
    unit: sheet.unit,
    decimals: sheet.machine.control.decimals[sheet.unit],
    registers,
    sizes,
    heights,
    faces: facesByKey(axes),
    warnings: warningsOf(document, registers, sizes),
    problems: sources.problems,
  }
}

function offsetZ(
  document: SetupDocument,
  heights: Heights,
  row: SetupDocument['sheet']['offsets'][number]['row'],
): Chain | undefined {
  const zeroAbovePlane = heights.zero.get(row)
  return workOffsetZ(document.sheet.school, {
    ...(zeroAbovePlane && { zeroAbovePlane }),
    ...(heights.noseOnPlane && { noseOnPlane: heights.noseOnPlane }),
  })
}

function facesByKey(
  axes: readonly {
    readonly offset: { readonly row: Parameters<typeof offsetZ>[2] }
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
    const { address, expected, before } = line
    const shown = lastShown(address, 'after')
    if (shown === undefined) return undefined
    const equal = readBackAgrees(line, shown, decimals)
    const causes = equal
      ? []
      : explain({
          expected,
          observed: shown.nm,
          unit,
          decimals,
          ...(before === undefined ? {} : { before }),
        })
    return {
      shownText: shown.text,
      shownUnit: shown.unit,
      shown: shown.nm,
      equal,
      error: toNanometres(shown.nm - expected),
      causes,
    }
  }

  return (address: string, kind: Register['kind'], chain: Chain | undefined): Register => {
    if (chain === undefined) return { address, kind, state: 'not-read' }
    const value = valueOf(chain)
    const before = lastShown(address, 'before')?.nm
    const keyIn = keyInLine(
      { address, kind, value, unit, ...(before === undefined ? {} : { before }) },
      machine.control,
    )
    const readBack = verdict(keyIn)
    return {
      address,
      kind,
      state: readBack?.equal ? 'keyed' : 'read',
      chain,
      value,
      keyIn,
      ...(readBack && { readBack }),
    }
  }
}
