import { expectReading, surpriseOf, type ExpectedTouch } from '../src/expect'
import type { SetupDocument } from '../src/facts'
import type { AxisPlan, SetupSheet } from '../src/sheet'
import { describeSurprise } from '../src/words'
import { leftTouch, mm, noseTouch, setupOf, shown, workedSheet } from './worked-example'

const write = (nm: number) => (nm / 1e6).toFixed(3)
const slipAt = (setup: SetupDocument, toBe: object, text: string) => {
  const reading = toBe as ExpectedTouch
  const belief = expectReading(setup, reading)
  if (belief === undefined) throw new Error('nothing is expected')
  return surpriseOf(setup, reading, belief, mm(text))
}

// The worked setter of 50 on a plane at −350; a rule says T1 is 80 long; a block of 75 lies in the drawer.
const sheet = workedSheet({
  tools: [{ number: 1, name: 'end mill', lengthRegister: 1, rough: mm('80') }],
  gauges: [
    ...workedSheet().gauges,
    { id: 'block', kind: 'gauge-block', name: '75 mm block', size: mm('75.000') },
  ],
})
const TIP = { of: 'tip-on-plane', tool: 1, with: ['setter'] }

describe('another gauge than the one that was named', () => {
  test('is told with its name, where neither forgotten nor counted twice fits', () => {
    // On the block it reads −350 + 80 + 75 = −195.
    const surprise = slipAt(setupOf(sheet, [noseTouch()]), TIP, '-195.200')
    expect(surprise?.slip).toMatchObject({ code: 'gauge-exchanged', about: '75 mm block' })
    expect(surprise?.slip?.meant).toBe(-220_200_000)
  })

  test('and not where the named one lies there', () => {
    expect(slipAt(setupOf(sheet, [noseTouch()]), TIP, '-220.200')).toBeUndefined()
  })
})

describe('a work position typed for the machine’s', () => {
  const setup = (readBacks: SetupDocument['readBacks']): SetupDocument => ({
    ...setupOf(sheet, [noseTouch()]),
    readBacks,
  })

  test('with the row alone, and with a length that is active', () => {
    // Machine −220; G54 Z holds −381.370: the work position shows 161.370, and with H1 of 81.5 active 79.870.
    const rows = [shown('G54.Z', '-381.370'), shown('H1', '81.500')]
    expect(slipAt(setup(rows), TIP, '161.370')?.slip).toMatchObject({
      code: 'work-position',
      about: 'G54',
      meant: -220_000_000,
    })
    expect(slipAt(setup(rows), TIP, '79.870')?.slip).toMatchObject({
      code: 'work-position',
      about: 'G54 with H1',
    })
  })

  test('nothing of it is said of a row that nobody read', () => {
    expect(slipAt(setup([]), TIP, '161.370')?.slip?.code).not.toBe('work-position')
  })
})

describe('the first of two faces was misread', () => {
  const [offset] = workedSheet().offsets
  const plan: AxisPlan = {
    by: 'two-faces',
    side: 'outside',
    size: mm('120.000'),
    tolerance: mm('0.1'),
    drawing: mm('0'),
  }
  const twoFaces: Partial<SetupSheet> = { offsets: [{ ...offset!, X: plan }] }
  const RIGHT = { of: 'face', row: 'G54', face: 'right', with: ['finder'] }
  const after = (left: string, times = 1) =>
    setupOf(
      { ...sheet, ...twoFaces },
      Array.from({ length: times }, () => ({ ...leftTouch(), read: mm(left) })),
    )

  // Left −412.3 was read as −421.3: the right one, at −412.3 + 5 + 120 + 5 = −282.3, seems 9 off.
  test('is told as that, and not as a slip of the second', () => {
    const surprise = slipAt(after('-421.300'), RIGHT, '-282.300')
    expect(surprise?.slip).toMatchObject({ code: 'other-face-misread', about: 'left face' })
    expect(describeSurprise(surprise!, 'mm', write)).toMatchObject({
      slip: 'The face before was misread: the left face?',
      look: expect.stringContaining('Touch that face again'),
    })
  })

  test('touched twice alike, it was not', () => {
    expect(slipAt(after('-421.300', 2), RIGHT, '-282.300')?.slip?.code).not.toBe(
      'other-face-misread',
    )
  })

  test('a right second face after a right first one is no surprise', () => {
    expect(slipAt(after('-412.300'), RIGHT, '-282.310')).toBeUndefined()
  })

  test('the second one’s own swapped digits are its own', () => {
    expect(slipAt(after('-412.300'), RIGHT, '-228.300')?.slip?.code).toBe('digits-swapped')
  })
})
