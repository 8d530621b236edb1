import {
  referenceView,
  withPlaneRow,
  withReference,
  withReferenceLength,
} from '../src/areas/new-setup/zero/reference-draft'
import { emptyDraft, withSchool } from '../src/areas/new-setup/sheet-draft'
import { mm } from './run/set-ups'

const two = {
  ...emptyDraft(),
  tools: [
    { number: 1, name: 'mill', lengthRegister: 1 },
    { number: 9, name: 'master', lengthRegister: 9 },
  ],
}

test('compared with a master: which tool, and the length that it is declared with', () => {
  const draft = withSchool(two, 'master-tool')
  expect(referenceView(draft)).toMatchObject({ master: '1', length: { field: 'masterLength' } })
  const other = withReferenceLength(
    withReference(draft, { masterTool: 9 }),
    'masterLength',
    mm('95'),
  )
  expect(other.reference).toEqual({ masterTool: 9, masterLength: mm('95') })
  // Emptied, it is not declared.
  expect(withReferenceLength(other, 'masterLength', mm(' ')).reference).toEqual({ masterTool: 9 })
})

test('counted from the nose: a constant, and nothing of it where none is declared', () => {
  const draft = withSchool(two, 'gauge-line')
  expect(referenceView(draft)).toMatchObject({ masters: [], length: { field: 'constant' } })
  const less = withReferenceLength(draft, 'constant', mm('100'))
  expect(less.reference).toEqual({ constant: mm('100') })
  expect(withReferenceLength(less, 'constant', mm(''))).not.toHaveProperty('reference')
})

test('a row keeps the plane: any that no part lies in', () => {
  const view = referenceView(two)
  expect(view.rows).not.toContain('G54')
  expect(view.length).toBeUndefined()
  const kept = withPlaneRow(two, 'G59')
  expect(kept.reference).toEqual({ planeRow: 'G59' })
  expect(withPlaneRow(kept, 'none')).not.toHaveProperty('reference')
})
