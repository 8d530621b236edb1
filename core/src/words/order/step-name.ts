import { registerName } from '../../address/address'
import type { Step } from '../../plan/order/step'
import type { SetupDocument } from '../../facts/document'
import { describeCheck } from '../trust/check-words'
import { describeStep } from './step-words'

/** A step in a list: a few words, the same wherever it is named. */
export function stepName(document: SetupDocument, step: Step): string {
  switch (step.does) {
    case 'read':
      return describeStep(document, step.quantity, []).title
    case 'key-in':
      return registerName(step.address)
    case 'check':
      return describeCheck(document, step.check, step.stop).title
    case 'prove':
      return `${step.row} with T${step.tool}`
    case 'sheet':
      return 'Sheet'
    case 'record':
      return 'Release'
  }
}
