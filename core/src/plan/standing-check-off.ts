import { AXES, type MachineAxis } from '../address/row'
import type { CheckOff } from '../facts/bodies/check-off'
import type { SetupDocument } from '../facts/document'
import type { SetupEvent } from '../facts/bodies/event'
import { isSamePerson, knewOf, type Author, type Entered } from '../journal/entered'

/** Whether a fact stands after another in the stream, or before it and unknown to whoever entered that one. */
export const isAfter =
  (one: Entered) =>
  (other: Entered): boolean =>
    other.place > one.place || !knewOf(one, other)

/** Whether a person may take the second look: nobody who read, keyed in or read back a number of it may. */
export const mayLook = (
  { readings, keyIns, readBacks }: Pick<SetupDocument, 'readings' | 'keyIns' | 'readBacks'>,
  person: Author,
): boolean =>
  ![readings, keyIns, readBacks].some((facts) => facts.some(({ by }) => isSamePerson(by, person)))

/** After these the machine is homed anew: its zero is gone, or what its setter's cycle counts from. */
const asksForHome = ({ kind }: Pick<SetupEvent, 'kind'>): boolean =>
  kind === 'home-lost' || kind === 'cycle-broken'

/**
 * The axes that are home: all of them at once, or those that were said one by one since home was last lost.
 */
export function axesAtHome({
  checkOffs,
  events,
}: Pick<SetupDocument, 'checkOffs' | 'events'>): readonly MachineAxis[] {
  const lost = events.findLast(asksForHome)
  const homed = new Set(
    checkOffs.flatMap((one) =>
      one.of === 'home' &&
      one.place > (lost?.place ?? -1) &&
      (lost === undefined || knewOf(one, lost))
        ? (one.axes ?? AXES)
        : [],
    ),
  )
  return AXES.filter((axis) => homed.has(axis))
}

/**
 * What was seen to, as long as nothing has undone it since.
 *
 * @param tool that a cut was made with, where one tool is set at a time.
 */
export function standingCheckOff(
  document: SetupDocument,
  of: CheckOff['of'],
  tool?: number,
): CheckOff | undefined {
  const { checkOffs, events, readBacks, programs, sheet } = document
  return checkOffs.findLast((checkOff) => {
    if (checkOff.of !== of || (checkOff.of === 'cut' && checkOff.tool !== tool)) return false
    const since = events.filter(isAfter(checkOff))
    switch (of) {
      case 'home':
        return !since.some(asksForHome)
      case 'part-zero':
        // After a loss it is held against what the dials show then: by that one knows the zero found again.
        return !since.some(
          (event) =>
            event.kind === 'home-lost' ||
            (event.kind === 'part-changed' && event.row === sheet.offsets[0]?.row),
        )
      case 'clean':
      case 'holding':
      case 'cut':
        return !since.some(({ kind }) => kind === 'part-changed')
      case 'look':
        // Another person than those who keyed, after everything that is there now.
        return (
          since.length === 0 && !readBacks.some(isAfter(checkOff)) && mayLook(document, checkOff.by)
        )
      case 'program':
        return !programs.some(isAfter(checkOff))
      case 'gauges':
      case 'air-cut':
      case 'first-part':
        return true
    }
  })
}
