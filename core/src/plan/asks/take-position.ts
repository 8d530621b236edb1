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

/** What a machine tells of itself, as far as a reading asks. Lengths in whole nanometres. */
export interface ToldByMachine {
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

/** A reading as a machine tells it. */
export interface TakenPosition {
  /** The numbers of the reading, as the control shows them. */
  readonly numbers: Readonly<Partial<Record<FieldKey, WrittenLength>>>
  readonly captured: Captured
}

/** Whether a reading is a position of the machine, which its agent tells: no counter, no dial, no micrometer. */
export const canBeTaken = (quantity: QuantityName): boolean =>
  isAxisPosition(quantity) &&
  readingFields(quantity).every((field) => field === 'read' || field === 'readY')

/** So far its clock may be from ours, or its answer behind. */
const LATE_MS = 2_000

/**
 * The reading of a touch as a machine tells it at this moment, and everything that speaks against taking it.
 *
 * @param using ids of the gauges of the touch: a finder turns, whatever else is touched with stands still.
 * @returns undefined where the machine tells no position of an axis that is read.
 */
export function takePosition(
  document: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
  told: ToldByMachine,
): TakenPosition | undefined {
  const { sheet } = document
  const axes = axesRead(quantity)
  const positions = axes.map((axis) => told.machine[axis])
  if (!told.isAvailable || positions.some((position) => position === undefined)) return undefined
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
  const { device, instance, sequence, at, tool, spindle } = told
  const against = speaksAgainst(document, quantity, using, told)
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

function speaksAgainst(
  { sheet, readings }: SetupDocument,
  quantity: QuantityName,
  using: readonly string[],
  told: ToldByMachine,
): readonly AgainstTaking[] {
  const { tool, spindle } = told
  const before = readings.findLast(({ captured }) => captured !== undefined)?.captured
  const wanted = 'tool' in quantity ? (quantity.tool as number | null) : undefined
  const turns = sheet.gauges.some(
    ({ id, kind }) => using.includes(id) && (kind === 'edge-finder' || kind === 'wobbler'),
  )
  const isTouchedByNose = quantity.of === 'nose-on-plane' || quantity.of === 'nose-on-part'
  const found: readonly (readonly [AgainstTaking, boolean])[] = [
    ['emergency-stop', told.emergencyStop === true],
    ['alarm', told.alarm !== undefined],
    ['other-machine', before !== undefined && before.agent !== told.device],
    ['not-homed', axesRead(quantity).some((axis) => told.homed[axis] === false)],
    ['moving', told.isMoving],
    ['late', Math.abs(told.apartMs) > LATE_MS],
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
