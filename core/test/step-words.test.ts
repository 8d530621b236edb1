import { type QuantityName } from '../src/quantities'
import { type Gauge } from '../src/sheet'
import { describeStep } from '../src/words'
import { mm, workedDocument, workedSheet } from './worked-example'

const finder = (id: string, maxSpeed?: number): Gauge => ({
  id,
  kind: 'edge-finder',
  name: `finder ${id}`,
  size: mm('10'),
  ...(maxSpeed !== undefined && { maxSpeed }),
})

/** The words of touching the left face with these gauges. */
const touching = (using: readonly string[], ...gauges: readonly Gauge[]) =>
  describeStep(
    workedDocument({ gauges: [...workedSheet().gauges, ...gauges] }),
    { of: 'face', row: 'G54', face: 'left' },
    using,
  )

describe('the caution at a touch', () => {
  test('says how far above its tip a tapered bit has its full diameter', () => {
    const bit: Gauge = {
      id: 'v',
      kind: 'cutter',
      name: '6 mm V bit',
      size: { text: '6', unit: 'mm' },
      halfAngle: 30,
    }
    // 3 / tan 30°.
    expect(touching(['v'], bit).caution).toMatch(/^Its full diameter stands 5\.2 mm above its tip/)
    const { halfAngle: _, ...straight } = bit
    expect(touching(['v'], straight).caution).not.toContain('full diameter stands')
    expect(touching([], bit).caution).not.toContain('full diameter stands')
  })

  test('names the speed that the finder in use bears, the least of several', () => {
    const gauges = [finder('a', 1200), finder('b', 900), finder('c', 600)]
    expect(touching(['a'], ...gauges).caution).toContain('never above S1200')
    expect(touching(['a', 'b'], ...gauges).caution).toContain('never above S900')
    expect(touching(['x'], finder('x')).caution).toContain('within its rated speed')
  })
  test('is the same for a wobbler, which turns as well, but does not kick', () => {
    const wobbler: Gauge = { ...finder('w', 800), kind: 'wobbler' }
    expect(touching(['w'], wobbler).caution).toContain('never above S800')
    expect(touching(['w'], wobbler).sentence).not.toContain('kicks')
    expect(touching(['a'], finder('a')).sentence).toContain('kicks')
  })
  test('asks for a stopped spindle where nothing that turns is used', () => {
    const pin: Gauge = { ...finder('p'), kind: 'pin' }
    expect(touching(['p'], pin, finder('a', 1200)).caution).toContain('Spindle stopped')
    for (const kind of ['probe', 'dial-sensor'] as const)
      expect(touching(['s'], { ...pin, id: 's', kind }).caution).toContain(
        'an electronic one only by its routine',
      )
    expect(touching(['t'], { ...pin, id: 't', kind: 'plate' }).caution).toContain('none active')
  })
})

describe('where a touch is made, in a sentence', () => {
  const said = (quantity: QuantityName, using: readonly string[] = []) =>
    describeStep(workedDocument(), quantity, using).sentence

  test('along an edge: near one end, then as far along as can be reached', () => {
    const edge = (point: number, using?: readonly string[]) =>
      said({ of: 'edge-point', row: 'G54', face: 'front', point }, using)
    expect(edge(1)).toBe('Front face, from the front, near one end of it.')
    expect(edge(2)).toBe('Front face, from the front, as far along it as can be reached.')
    expect(edge(1, ['finder'])).toBe(
      'Front face, from the front, near one end of it, until the 10 mm edge finder touches.',
    )
  })

  test('the bare nose on a stock top, with what lies between where something does', () => {
    const nose = (using?: readonly string[]) => said({ of: 'nose-on-part', row: 'G54' }, using)
    expect(nose()).toBe('Bring the bare nose down onto the stock top.')
    expect(nose(['paper'])).toBe('Bring the bare nose down onto the stock top, paper between.')
  })
})
