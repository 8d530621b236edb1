import { FIELD_KEYS, approachesField, dialField, readYField, rowField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { centreOf } from '../findings'

/** A dial swept round a bore or a boss from a place that nothing touches: `read` is its machine X. */
export const sweep = quantity({
  named: { row: rowField },
  extra: { readY: readYField, dial: dialField, approaches: approachesField },
  reads: FIELD_KEYS,
  axis: () => 'X',
  readIn: 'machine',
  role: 'axis-at-contact',
  equation: ({ row }) => [term({ of: 'centre', row })],
  way: 'unknown-in-plane',
  purpose: 'sweep',
  usualGauges: [],
  findings: ({ row }) => [centreOf(row)],
  called: ({ row }) => `${row} by the swept dial`,
  words: ({ row }) => ({
    title: `${row} · sweep`,
    sentence: 'Turn the spindle by hand, read the dial at four quarters.',
    caution: 'Spindle out of gear, turned by hand only. Raise Z before moving across.',
    field: 'Dial at four quarters',
  }),
})
