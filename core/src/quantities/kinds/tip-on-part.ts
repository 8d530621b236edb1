import { zAddress } from '../../sheet/tool-rows'
import { rowField, toolField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { lengthOf } from '../findings'
import { CAUTIONS } from '../touch-words'

/** The tip of a tool on a part's stock top: machine Z where it touches. */
export const tipOnPart = quantity({
  named: { row: rowField, tool: toolField },
  extra: {},
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'machine',
  role: 'tip-at-contact',
  equation: ({ row, tool }) => [term({ of: 'top', row }), term({ of: 'length', tool })],
  way: 'in-z',
  purpose: 'touch',
  usualGauges: ['plate', 'paper', 'shim', 'card', 'gauge-block', 'pin'],
  findings: ({ row, tool }, sheet) =>
    sheet.offsets.find((plan) => plan.row === row)?.Z.by === 'part-top'
      ? lengthOf(sheet, tool)
      : [{ of: 'register', address: zAddress(sheet, row, tool) }],
  called: ({ row, tool }) => `${row} top by T${tool}`,
  words: ({ row, tool }, { gauge, setsZ, uses }) => ({
    title: setsZ ? `${row} Z · T${tool} on the top` : `T${tool} · on the top`,
    sentence: `Lower T${tool} onto the stock top${gauge === '' ? '' : `, ${gauge} between`}.`,
    caution: uses('plate') ? CAUTIONS.plate : CAUTIONS.tip,
    field: 'Machine Z at contact',
  }),
})
