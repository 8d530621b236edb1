import type { HabitsOfMachine } from '@pine/core/running'
import type { EarlierPositions } from '@pine/core/sheet'
import { withSchool, withUnit, type SheetDraft } from './sheet-draft'

/** Whether nothing of how lengths are measured was chosen yet: then a machine brings what its last set-up used. */
export const takesHabits = ({ gauges }: SheetDraft): boolean => gauges.length === 0

/** A draft on a machine with what its last set-up used; what a program said of the part and the tools stays. */
export function withHabits(draft: SheetDraft, habits: HabitsOfMachine): SheetDraft {
  const { unit, school, reference, holding, stood, ...rest } = habits
  // Where things stood on another machine tells nothing of this one.
  const { stood: _elsewhere, ...own } = draft
  const inUnit = isBlank(own) ? withUnit(own, unit) : own
  const counted = withSchool(inUnit, school)
  return {
    ...counted,
    ...rest,
    ...((reference ?? counted.reference) && {
      reference: { ...counted.reference, ...reference },
    }),
    ...(holding && { holding: { ...holding, ...draft.holding } }),
    ...(stood && { stood: inFirstRow(stood, draft) }),
  }
}

/** Neither a program nor a person has filled it: its numbers may be in the machine's unit. */
const isBlank = ({ stock, tools }: SheetDraft): boolean =>
  stock.X.text === '' && tools.every(({ name }) => name === '')

/** Jaw and stop stand where they stood, whichever work offset this job’s first part has. */
function inFirstRow(stood: EarlierPositions, { offsets }: SheetDraft): EarlierPositions {
  const row = offsets[0]?.row
  return row === undefined || stood.faces === undefined
    ? stood
    : { ...stood, faces: stood.faces.map((face) => ({ ...face, row })) }
}
