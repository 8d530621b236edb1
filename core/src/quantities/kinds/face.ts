import { offsetAddress } from '../../address/address'
import { TURNING_GAUGES } from '../../touch/gauge-kinds'
import { axisOfFace } from '../../touch/touch'
import { faceField, rowField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { CAUTIONS, capital, faceName, faceNames } from '../touch-words'
import { SENSORS } from '../usual-gauges'

/** A face of the part, or a wall of a slot: machine X or Y of the spindle axis where the sensor touches it. */
export const face = quantity({
  named: { row: rowField, face: faceField },
  extra: {},
  reads: ['read'],
  axis: ({ face: side }) => axisOfFace(side),
  readIn: 'machine',
  role: 'axis-at-contact',
  equation: ({ row, face: side }) => [term({ of: 'face', row, face: side })],
  way: 'never',
  purpose: 'touch',
  usualGauges: SENSORS,
  findings: ({ row, face: side }) => {
    const axis = axisOfFace(side)
    return [
      { of: 'register', address: offsetAddress(row, axis), size: { row, axis } },
      { of: 'face' },
    ]
  },
  called: ({ row, face: touched }) => `${row} ${touched} face`,
  words: ({ row, face: side }, context) => {
    const axis = axisOfFace(side)
    const of = context.side(row, axis)
    const name = faceName(side, of)
    const { from, inward } = faceNames[side]
    const { gauge, uses } = context
    const until =
      gauge === '' ? 'tool touches' : `${gauge} ${uses('edge-finder') ? 'kicks' : 'touches'}`
    return {
      title: `${row} ${axis} · ${name}`,
      sentence: `${capital(name)}, ${of === 'outside' ? from : `from the middle ${inward}`}, until the ${until}.`,
      caution: TURNING_GAUGES.some(uses)
        ? context.finderCaution
        : uses('plate')
          ? CAUTIONS.plate
          : uses('dial-sensor') || uses('probe')
            ? CAUTIONS.sensor
            : uses('cutter')
              ? CAUTIONS.cutter
              : CAUTIONS.pin,
      field: `Machine ${axis} at contact`,
    }
  },
})
