import { field, recordOf, registerOrNone, type ValueOf } from '../../fields/shape'

/** What is in the spindle, and what the control takes for active. */
export const SPINDLE = recordOf({
  holds: field(registerOrNone, 'the tool in the spindle; null is the bare nose'),
  controlSays: field(
    registerOrNone,
    'the tool whose length the control takes for active; null is no length',
  ),
})

export type SpindleState = ValueOf<typeof SPINDLE>
