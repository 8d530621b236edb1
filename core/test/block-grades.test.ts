import { textIn } from '../src/length'
import { blockLimitMm, finestGrade } from '../src/touch'
import { describeBlockGrade } from '../src/words'

// Limits of ISO 3650:1998, table 5, written from memory in the table itself; here what follows from them.

describe('gauge blocks', () => {
  test.each([
    [25, '0', 0.00014],
    [25, '1', 0.0003],
    [25.001, '1', 0.0004],
    [10, '2', 0.00045],
    [250, 'K', 0.0012],
  ] as const)('%s mm of grade %s', (nominal, grade, limit) =>
    expect(blockLimitMm(nominal, grade)).toBeCloseTo(limit, 12),
  )

  test.each([
    [0, '0'],
    [0.00014, '0'],
    [-0.00015, '1'],
    [0.0003, '1'],
    [-0.00031, '2'],
    [0.00061, undefined],
  ] as const)('off by %s mm at 25 mm it is of grade %s', (off, grade) =>
    expect(finestGrade(off, 25)).toBe(grade),
  )

  test('longer than the table nothing is said', () => {
    expect(blockLimitMm(250.1, '0')).toBeUndefined()
    expect(finestGrade(0, 300)).toBeUndefined()
    expect(describeBlockGrade({ grade: '1', nominalMm: 300 }, 0.1, 'mm')).toBeUndefined()
  })

  test('are told by their last check, in their unit', () => {
    const told = (off: number | undefined, unit: 'mm' | 'in' = 'mm') =>
      describeBlockGrade({ grade: '1', nominalMm: 25.4 }, off, unit)
    const allows = 'Grade 1 by ISO 3650 allows ± 0.00040 mm at 25.4 mm'
    expect(told(undefined)).toEqual({ words: `${allows}.`, isOutside: false })
    expect(told(-0.0004)).toEqual({
      words: `${allows}: it is off by −0.00040 mm.`,
      isOutside: false,
    })
    expect(told(0.00041)).toEqual({
      words: `${allows}: it is off by +0.00041 mm, as grade 2 may be. Declare it so, or with its true size.`,
      isOutside: true,
    })
    expect(told(-0.002)?.words).toContain('more than any grade may be')
    expect(told(undefined, 'in')?.words).toContain('± 0.000016 in at 25.4 mm')
  })
})

describe('a length in the unit of a form', () => {
  test.each([
    [undefined, 'mm', ''],
    [{ text: '12.700', unit: 'mm' }, 'mm', '12.700'],
    [{ text: '12.700', unit: 'mm' }, 'in', '0.5'],
    [{ text: '0.001', unit: 'in' }, 'mm', '0.0254'],
    [{ text: '-10', unit: 'in' }, 'mm', '-254'],
    [{ text: '100', unit: 'in' }, 'mm', '2540'],
    [{ text: '1/2', unit: 'in' }, 'mm', '12.7'],
    [{ text: 'half', unit: 'in' }, 'mm', 'half'],
  ] as const)('%j in %s', (written, unit, text) => expect(textIn(written, unit)).toBe(text))
})
