import type { MachineAxis } from '../../address/row'
import type { AgainstTaking, Captured } from '../../facts/bodies/captured'
import type { SetupDocument } from '../../facts/document'
import { formatLength } from '../../length/format-length'
import { toNanometres, type WrittenLength } from '../../length/length'
import type { FieldKey } from '../../quantities/fields'
import {
  axesRead,
  isAxisPosition,
  readingFields,
  type QuantityName,
} from '../../quantities/quantities'
import { isToolByTool } from '../../sheet/tool-rows'

/** A machine's report of itself, as far as a reading needs it. Lengths in whole nanometres. */
export interface MachineReport {
  readonly device: string
  readonly instance: number
  readonly sequence: number
  /** By its own clock. */
  readonly at: string
  /** How far its clock is from when it was asked, milliseconds. */
  readonly apartMs: number
  readonly isAvailable: boolean
  readonly machine: Readonly<Partial<Record<MachineAxis, number | undefined>>>
  readonly homed: Readonly<Partial<Record<MachineAxis, boolean | undefined>>>
  readonly isMoving: boolean
  /** 0 is none. */
  readonly tool?: number | undefined
  readonly spindle?: number | undefined
  readonly emergencyStop?: boolean | undefined
  readonly alarm?: string | undefined
}

/** A reading made of a machine's report. */
export interface TakenPosition {
  /** The numbers of the reading, as the control shows them. */
  readonly numbers: Readonly<Partial<Record<FieldKey, WrittenLength>>>
  readonly captured: Captured
}

/** Whether a reading is a position of the machine, which its agent reports: no counter, no dial, no micrometer. */
export const canBeTaken = (quantity: QuantityName): boolean =>
  isAxisPosition(quantity) &&
  readingFields(quantity).every((field) => field === 'read' || field === 'readY')

/** Most that the agent's clock may differ from ours. */
const LATE_MS = 2_000

/**
 * The reading of a touch from a machine's report, with everything in the report that contradicts the step.
 *
 * @param using ids of the gauges of the touch: a finder turns, whatever else is touched with stands still.
 * @returns undefined where the report has no position of an axis that is read.
 */
export function takePosition(
  document: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
  report: MachineReport,
): TakenPosition | undefined {
  const { sheet } = document
  const axes = axesRead(quantity)
  const positions = axes.map((axis) => report.machine[axis])
  if (!report.isAvailable || positions.some((position) => position === undefined)) return undefined
  const decimals = sheet.machine.control.decimals[sheet.unit]
  const numbers = Object.fromEntries(
    readingFields(quantity).map((field, index) => [
      field,
      {
        text: formatLength(toNanometres(positions[index] ?? 0), sheet.unit, decimals),
        unit: sheet.unit,
      },
    ]),
  )
  const { device, instance, sequence, at, tool, spindle } = report
  const against = contradictionsOf(document, quantity, using, report)
  return {
    numbers,
    captured: {
      ...{ agent: device, instance, sequence, at },
      ...(tool !== undefined && { tool: tool === 0 ? null : tool }),
      ...(spindle !== undefined && { spindle }),
      ...(against.length > 0 && { against }),
    },
  }
}

function contradictionsOf(
  { sheet, readings }: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
  report: MachineReport,
): readonly AgainstTaking[] {
  const { tool, spindle } = report
  const before = readings.findLast(({ captured }) => captured !== undefined)?.captured
  const wanted = 'tool' in quantity ? (quantity.tool as number | null) : undefined
  const turns = sheet.gauges.some(
    ({ id, kind }) => using.includes(id) && (kind === 'edge-finder' || kind === 'wobbler'),
  )
  const isTouchedByNose = quantity.of === 'nose-on-plane' || quantity.of === 'nose-on-part'
  const found: readonly (readonly [AgainstTaking, boolean])[] = [
    ['emergency-stop', report.emergencyStop === true],
    ['alarm', report.alarm !== undefined],
    ['other-machine', before !== undefined && before.agent !== report.device],
    ['not-homed', axesRead(quantity).some((axis) => report.homed[axis] === false)],
    ['moving', report.isMoving],
    ['late', Math.abs(report.apartMs) > LATE_MS],
    [
      'other-tool',
      tool !== undefined &&
        // A control that keeps no lengths need not know which tool it holds.
        !isToolByTool(sheet) &&
        ((wanted !== undefined && wanted !== null && tool !== wanted) ||
          (isTouchedByNose && tool !== 0)),
    ],
    ['turning', spindle !== undefined && spindle !== 0 && !turns],
    ['still', spindle === 0 && turns],
  ]
  return found.flatMap(([code, is]) => (is ? [code] : []))
}
