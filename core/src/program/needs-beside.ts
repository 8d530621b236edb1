import type { Step, StepState } from '../plan/steps'
import type { SetupDocument } from '../setup/document'
import { TRUST_STATES, type Solution, type TrustState } from '../setup/solution'
import type { Operation, ProgramJudgement, ProgramReading } from './program-types'

/** A register or work offset that an operation needs, beside what is there. */
export interface NeedBeside {
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
  readonly needs: readonly NeedBeside[]
}

/** What each operation needs beside what the set-up has, with the step that leads there. */
export function needsBeside(
  reading: ProgramReading,
  document: SetupDocument,
  solution: Solution,
  steps: readonly StepState[],
): readonly OperationNeeds[] {
  const { sheet } = document
  return reading.operations.map((operation) => ({
    operation,
    onSheet:
      operation.tool === undefined || sheet.tools.some(({ number }) => number === operation.tool),
    needs: addressesOf(operation).map((address) => {
      const state = stateOf(address, solution)
      const step = stepFor(address, document, steps)
      return { address, state, ...(step !== undefined && { step }) }
    }),
  }))
}

/** Of what a judgement is about, the step that mends it, where one does. */
export function stepForJudgement(
  { code, register, row }: ProgramJudgement,
  document: SetupDocument,
  steps: readonly StepState[],
): Step | undefined {
  if (code === 'lift-active') return steps.find(({ step }) => step.key === 'air-cut')?.step
  const letter = REGISTER_NEEDS.get(code)
  if (letter !== undefined && register !== undefined)
    return stepFor(`${letter}${register}`, document, steps)
  return ROW_NEEDS.includes(code) && row !== undefined ? stepFor(row, document, steps) : undefined
}

/** Judgements about what a register holds; a wrong number in the program is mended in the program. */
const REGISTER_NEEDS: ReadonlyMap<ProgramJudgement['code'], 'H' | 'D'> = new Map([
  ['length-not-set', 'H'],
  ['length-stale', 'H'],
  ['length-unproven', 'H'],
  ['diameter-not-set', 'D'],
  ['diameter-stale', 'D'],
])
const ROW_NEEDS: readonly ProgramJudgement['code'][] = [
  'offset-not-set',
  'offset-stale',
  'offset-unproven',
]

const addressesOf = ({ lengths, diameters, rows }: Operation): readonly string[] => [
  ...rows.map(({ row }) => row),
  // H0 and D0 are none at all, on purpose.
  ...lengths.flatMap(({ register }) => (register === 0 ? [] : [`H${register}`])),
  ...diameters.flatMap(({ register }) => (register === 0 ? [] : [`D${register}`])),
]

function stateOf(address: string, { registers }: Solution): NeedBeside['state'] {
  const here = registers.filter(
    (register) => register.address === address || register.address.startsWith(`${address}.`),
  )
  const order: readonly TrustState[] = ['stale', ...TRUST_STATES]
  return order.find((state) => here.some((one) => one.state === state)) ?? 'not-on-sheet'
}

/** The first step of this register or row that is still open. */
function stepFor(
  address: string,
  { sheet }: SetupDocument,
  steps: readonly StepState[],
): Step | undefined {
  const tools = sheet.tools
    .filter(
      ({ lengthRegister, diameterRegister }) =>
        address === `H${lengthRegister}` || address === `D${diameterRegister}`,
    )
    .map(({ number }) => number)
  return steps.find(({ step, done }) => {
    if (done) return false
    switch (step.does) {
      case 'read':
        return 'row' in step.quantity
          ? step.quantity.row === address
          : 'tool' in step.quantity &&
              tools.includes(step.quantity.tool) &&
              (step.quantity.of === 'tool-diameter') === address.startsWith('D')
      case 'key-in':
        return step.address === address || step.address.startsWith(`${address}.`)
      case 'prove':
        return step.row === address || (address.startsWith('H') && tools.includes(step.tool))
      default:
        return false
    }
  })?.step
}
