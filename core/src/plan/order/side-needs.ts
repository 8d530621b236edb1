import type { Step, StepState } from './step'
import type { SetupDocument } from '../../facts/document'
import { type Solution } from '../../solve/solution'
import { TRUST_STATES, type TrustState } from '../../registers/register'
import {
  addressParts,
  diameterAddress,
  isOf,
  lengthAddress,
  type Address,
} from '../../address/address'
import { isToolByTool } from '../../sheet/tool-rows'
import { proofsNeeded, type ProofReason } from '../../proof/proofs-needed'
import { neededAddress } from '../../running/needed-address'
import type { Operation, ProgramReading } from '../../program/program-reading'
import type { ProgramJudgement } from '../../program/judgement/program-judgement'

/** A register or work offset that an operation needs, beside what is there. */
export interface SideNeed {
  /** `H3`, `D3` or `G54`. */
  readonly address: string
  /** Of an offset: its least certain axis. */
  readonly state: TrustState | 'not-on-sheet'
  /** The step that mends it; absent where nothing is to be done, or the sheet has to change. */
  readonly step?: Step
}

export interface OperationNeeds {
  readonly operation: Operation
  readonly onSheet: boolean
  readonly needs: readonly SideNeed[]
  /** Where the machine's policy picks: why this tool is proven, nothing where it lets it go. Undefined where all are proven. */
  readonly provenBecause?: readonly ProofReason[]
}

/** What each operation needs beside what the set-up has, with the step that leads there. */
export function sideNeeds(
  reading: ProgramReading,
  document: SetupDocument,
  solution: Solution,
  steps: readonly StepState[],
): readonly OperationNeeds[] {
  const { sheet } = document
  const picks = sheet.machine.policy?.proves === 'riskiest'
  const proofs = picks ? proofsNeeded(document, solution) : []
  return reading.operations.map((operation) => ({
    operation,
    ...(picks && {
      provenBecause: [
        ...new Set(proofs.flatMap(({ tool, because }) => (tool === operation.tool ? because : []))),
      ],
    }),
    onSheet:
      operation.tool === undefined || sheet.tools.some(({ number }) => number === operation.tool),
    needs: addressesOf(operation, sheet).map((address) => {
      const state = stateOf(address, solution, operation.tool)
      const step = stepFor(address, document, steps, operation.tool)
      return { address, state, ...(step !== undefined && { step }) }
    }),
  }))
}

/** Where something of a program is mended within the set-up. */
export type Mend = { readonly on: 'sheet' } | { readonly on: 'step'; readonly step: Step }

/** Faults of the sheet, or of the program against it. */
const ON_SHEET: readonly ProgramJudgement['code'][] = [
  'tool-not-on-sheet',
  'offset-not-on-sheet',
  'unit-differs',
]

/** Where a judgement is mended; undefined where that is in the program itself. */
export function mendOf(
  judgement: ProgramJudgement,
  document: SetupDocument,
  steps: readonly StepState[],
): Mend | undefined {
  if (ON_SHEET.includes(judgement.code)) return { on: 'sheet' }
  const address = neededAddress(judgement)
  const step =
    judgement.code === 'lift-active'
      ? steps.find((one) => one.step.key === 'air-cut')?.step
      : address && stepFor(address, document, steps, judgement.tool)
  if (step) return { on: 'step', step }
  // A register that no step sets is not on the sheet.
  return address === undefined ? undefined : { on: 'sheet' }
}

const addressesOf = (
  { lengths, diameters, rows }: Operation,
  sheet: SetupDocument['sheet'],
): readonly string[] => [
  ...rows.map(({ row }) => row),
  // H0 and D0 are none at all, on purpose; where the control keeps no lengths, no H is any.
  ...(isToolByTool(sheet) ? [] : lengths).flatMap(({ register }) =>
    register === 0 ? [] : [lengthAddress(register)],
  ),
  ...diameters.flatMap(({ register }) => (register === 0 ? [] : [diameterAddress(register)])),
]

function stateOf(
  address: string,
  { registers }: Solution,
  tool: number | undefined,
): SideNeed['state'] {
  const here = registers.filter(
    (register) => isOf(register.address, address) && isWithTool(register.address, tool),
  )
  const order: readonly TrustState[] = ['stale', ...TRUST_STATES]
  return order.find((state) => here.some((one) => one.state === state)) ?? 'not-on-sheet'
}

/** Whether a number counts for a tool: Z of a row that was set with another one does not. */
function isWithTool(address: Address, tool: number | undefined): boolean {
  const parts = addressParts(address)
  return parts?.of !== 'work-offset' || (parts.tool ?? tool) === tool
}

/** The first step of this register or row that is still open. */
function stepFor(
  address: string,
  { sheet }: SetupDocument,
  steps: readonly StepState[],
  tool?: number,
): Step | undefined {
  const needed = addressParts(address)
  const tools = sheet.tools
    .filter(({ lengthRegister, diameterRegister }) =>
      needed?.of === 'length'
        ? needed.register === lengthRegister
        : needed?.of === 'diameter' && needed.register === diameterRegister,
    )
    .map(({ number }) => number)
  return steps.find(({ step, done }) => {
    if (done || (tool !== undefined && step.stop !== undefined && step.stop !== tool)) return false
    switch (step.does) {
      case 'read':
        return 'row' in step.quantity
          ? step.quantity.row === address
          : 'tool' in step.quantity &&
              tools.includes(step.quantity.tool) &&
              (step.quantity.of === 'tool-diameter') === (needed?.of === 'diameter')
      case 'key-in':
        return isOf(step.address, address)
      case 'prove':
        return step.row === address || (needed?.of === 'length' && tools.includes(step.tool))
      default:
        return false
    }
  })?.step
}
