import { solve, type KeyMode, type Reading, type SetupDocument } from '../src'
import { leftTouch, mm, readingOf, tipTouch, workedDocument, workedSheet } from './worked-example'

const keyed = (
  workOffsetKey: KeyMode,
  document: SetupDocument,
  lengthKey: 'set' | 'copy' = 'set',
) => {
  const { machine } = document.sheet
  const control = { ...machine.control, workOffsetKey, lengthKey }
  return (address: string) =>
    solve({
      ...document,
      sheet: { ...document.sheet, machine: { ...machine, control } },
    }).registers.find((register) => register.address === address)?.keyIn
}

const rightTouch = () =>
  readingOf<'face'>({
    of: 'face',
    row: 'G54',
    face: 'right',
    read: mm('-282.300'),
    with: ['finder'],
  })

const twoFaces = (readings: readonly Reading[]) =>
  workedDocument(
    {
      offsets: [
        {
          ...workedSheet().offsets[0]!,
          X: {
            by: 'two-faces',
            side: 'outside',
            size: mm('120'),
            tolerance: mm('0.1'),
            drawing: mm('25'),
          },
        },
      ],
    },
    readings,
  )

describe('a control that copies the machine position', () => {
  // The face lies at −412.3 + 5 = −407.3, which the drawing calls −60: X = −347.3.
  test('X: copied at the touch it shows −412.300, and 65.000 is to be added', () => {
    expect(keyed('copy', workedDocument())('G54.X')).toMatchObject({
      copies: '-412.300',
      type: '65.000',
      after: '-347.300',
    })
  })

  test('H: a tip that stands on the setter copies −220, less the setter is −270', () => {
    expect(keyed('set', workedDocument({}, [tipTouch()]), 'copy')('H1')).toMatchObject({
      copies: '-220.000',
      type: '-50.000',
      after: '-270.000',
    })
  })

  test('without a touch there is nothing to copy: the number itself is stored', () => {
    expect(keyed('copy', workedDocument())('G54.Z')).toMatchObject({
      mode: 'set',
      type: '-30.000',
      after: '-30.000',
    })
  })
})

describe('a control that halves the counter', () => {
  // Zeroed at −412.3, the counter shows 130 at −282.3; its half lies at −347.3, which the drawing calls 25.
  test('the middle is told as what the drawing says it is', () => {
    expect(keyed('halve', twoFaces([leftTouch(), rightTouch()]))('G54.X')).toMatchObject({
      mode: 'halve',
      counter: { full: '130.000', half: '65.000' },
      type: '25.000',
      after: '-372.300',
    })
  })

  test('touched from the right first, the counter runs the other way', () => {
    expect(keyed('halve', twoFaces([rightTouch(), leftTouch()]))('G54.X')).toMatchObject({
      counter: { full: '-130.000', half: '-65.000' },
      type: '25.000',
    })
  })

  test('a single face cannot be halved: its position is told', () => {
    expect(keyed('halve', workedDocument())('G54.X')).toMatchObject({
      mode: 'position',
      type: '-65.000',
    })
  })
})

// A D row holds a size, not a place: nothing can be copied into it.
test('a diameter is typed, however lengths are keyed', () => {
  const document = workedDocument(
    { tools: [{ number: 1, name: 'mill', lengthRegister: 1, diameterRegister: 1 }] },
    [readingOf<'tool-diameter'>({ of: 'tool-diameter', tool: 1, read: mm('9.98'), with: [] })],
  )
  expect(keyed('set', document, 'copy')('D1')).toMatchObject({ mode: 'set', type: '9.980' })
})
