import { diameterAddress } from '../../address/address'
import { toolField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'

/** The diameter of a tool over its widest points, by a micrometer or on the machine. */
export const toolDiameter = quantity({
  named: { tool: toolField },
  extra: {},
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'instrument',
  role: 'diameter',
  equation: ({ tool }) => [term({ of: 'diameter', tool })],
  way: 'never',
  purpose: 'diameter',
  usualGauges: [],
  findings: ({ tool }, { tools }) => {
    const row = tools.find(({ number }) => number === tool)?.diameterRegister
    return row === undefined ? [] : [{ of: 'register', address: diameterAddress(row) }]
  },
  called: ({ tool }) => `T${tool} across`,
  words: ({ tool }) => ({
    title: `T${tool} · diameter`,
    sentence: `Measure T${tool} over its widest points, turning it.`,
    caution: 'Edges cut: hold the shank. Odd flute counts need a V-anvil or a test cut.',
    field: 'Diameter',
  }),
})
