import { type Address } from '../src/address'
import { toNanometres } from '../src/length'
import { mayLift } from '../src/proof'
import { describeReadBackError } from '../src/words'
import { workedSheet } from './worked-example'

const said = (
  address: Address,
  thousandths: number,
  control: Parameters<typeof describeReadBackError>[3] = {},
) =>
  describeReadBackError(
    address,
    toNanometres(thousandths * 1000),
    (nm) => `${nm / 1e6} mm`,
    control,
  )

describe('what a wrong register would do', () => {
  test.each([
    ['H1', 500, 'this tool stops 0.5 mm above'],
    ['H1', -500, 'this tool goes 0.5 mm too deep'],
    ['G54.Z', 500, 'every tool stops 0.5 mm above'],
    ['G54.Z', -500, 'every tool goes 0.5 mm too deep'],
    ['G54.X', 500, '0.5 mm too far to the right'],
    ['G54.X', -500, '0.5 mm too far to the left'],
    ['G54.Y', 500, '0.5 mm too far to the back'],
    ['G54.Y', -500, '0.5 mm too far to the front'],
  ] as const)('%s off by %i thousandths', (address, off, words) =>
    expect(said(address, off)).toContain(words),
  )

  test('a control that subtracts its lengths goes deeper by one that is too large; its rows do not', () => {
    const subtracts = { lengthSign: 'subtracted' } as const
    expect(said('H1', 500, subtracts)).toContain('too deep')
    expect(said('H1', -500, subtracts)).toContain('above')
    expect(said('G54.Z', 500, subtracts)).toContain('above')
  })

  test('a crash is spoken of where there would be one, and not for some thousandths', () => {
    expect(said('H1', -500)).toContain('crash')
    expect(said('H1', -8)).not.toContain('crash')
  })

  test('a D row stands for a radius: half of a diameter, the whole of a radius', () => {
    // 7.98 keyed where the radius of 3.99 belongs.
    expect(said('D3', 3990, { diameterRegister: 'radius' })).toContain('left 3.99 mm too thick')
    expect(said('D3', 3990)).toContain('left 1.995 mm too thick')
    expect(said('D3', -20)).toContain('cut 0.01 mm too deep')
  })
})

test('a lift may go into lengths wherever the control keeps them: the sign is worked out row by row', () => {
  const { machine } = workedSheet()
  const subtracts = {
    machine: { ...machine, control: { ...machine.control, lengthSign: 'subtracted' as const } },
  }
  expect(mayLift('lengths', { machine })).toBe(true)
  expect(mayLift('lengths', subtracts)).toBe(true)
  expect(mayLift('external-offset', subtracts)).toBe(true)
})
