import { offsetAddress } from '../../address/address'
import { axisOfFace } from '../../touch/touch'
import { approachesField, faceField, pointField, readYField, rowField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { capital, faceName, faceNames } from '../touch-words'
import { SENSORS } from '../usual-gauges'

/** A touch of a side of the part, read on both axes: for its angle, or the corner of a turned part. */
export const edgePoint = quantity({
  named: { row: rowField, face: faceField, point: pointField },
  extra: { readY: readYField, approaches: approachesField },
  reads: ['read', 'readY'],
  axis: ({ face }) => axisOfFace(face),
  readIn: 'machine',
  role: 'axis-at-contact',
  equation: ({ row, face }) => [term({ of: 'face', row, face })],
  way: 'touch-in-plane',
  purpose: 'touch',
  usualGauges: SENSORS,
  findings: ({ row, face }) => [
    { of: 'edge', row, face },
    { of: 'register', address: offsetAddress(row, 'X') },
  ],
  called: ({ row, face }) => `${row} ${face} face`,
  words: ({ row, face, point }, { gauge, finderCaution }) => {
    const name = faceName(face, 'outside')
    const where = point === 1 ? 'near one end of it' : 'as far along it as can be reached'
    return {
      title: `${row} · ${name}, touch ${point}`,
      sentence: `${capital(name)}, ${faceNames[face].from}, ${where}${gauge === '' ? '' : `, until the ${gauge} touches`}.`,
      caution: finderCaution,
      field: 'Machine X and Y at contact',
    }
  },
})
