import { toolField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { lengthOf } from '../findings'
import { CAUTIONS } from '../touch-words'
import { SETTERS } from '../usual-gauges'

/** The tip of a tool on the setting plane: machine Z where it touches. */
export const tipOnPlane = quantity({
  named: { tool: toolField },
  extra: {},
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'machine',
  role: 'tip-at-contact',
  equation: ({ tool }) => [term({ of: 'plane' }), term({ of: 'length', tool })],
  onPlane: true,
  way: 'in-z',
  purpose: 'touch',
  usualGauges: SETTERS,
  findings: ({ tool }, sheet) => lengthOf(sheet, tool),
  called: ({ tool }) => `T${tool} on the plane`,
  words: ({ tool }, { gauge, plane, toolName, uses }) => {
    const isCycle = uses('fixed-setter')
    const onto = gauge === '' ? plane : gauge
    return {
      title: `T${tool} · ${toolName(tool)}`,
      sentence: isCycle
        ? `Let the cycle lower T${tool} onto the ${onto}.`
        : `Lower T${tool} onto the ${onto}.`,
      caution: isCycle ? CAUTIONS.cycle : CAUTIONS.tip,
      field: 'Machine Z at contact',
    }
  },
})
