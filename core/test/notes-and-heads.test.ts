import { type SetupFact } from '../src/facts'
import { appendFact, isReleased } from '../src/facts/fold'
import { openNotes } from '../src/facts/open-notes'
import { headNumbers } from '../src/program/text/head-numbers'
import { headAgainstSheet } from '../src/running/head-against-sheet'
import { programAgain } from '../src/running'
import { describeJudgement } from '../src/words'
import { fact, workedDocument, workedSheet } from './worked-example'

const inch = (text: string) => ({ text, unit: 'in' as const })

describe('the head of a program, read as numbers', () => {
  // Forms of such comments are common practice, no source; the numbers are the issue's.
  test.each<[string, readonly [string, string][]]>([
    [
      'STOCK 4.0 X 3.0 X 1.5',
      [
        ['stock-X', '4.0'],
        ['stock-Y', '3.0'],
        ['stock-Z', '1.5'],
      ],
    ],
    [
      'STOCK: 120 x 80 x 40 mm',
      [
        ['stock-X', '120'],
        ['stock-Y', '80'],
        ['stock-Z', '40'],
      ],
    ],
    [
      'JAWS 1.5 WITH PARALLELS 1.5',
      [
        ['jaw', '1.5'],
        ['parallels', '1.5'],
      ],
    ],
    ['SOFT JAW HEIGHT = 2-1/8', [['jaw', '2-1/8']]],
    ['Z ZERO -.025', [['zero-below-top', '-.025']]],
    ['Z0 IS .025 BELOW TOP OF STOCK', [['zero-below-top', '.025']]],
    ['6 INCH VISE, G54 IN THE MIDDLE', []],
    ['T3 1/2 END MILL', []],
  ])('%s', (comment, found) => {
    expect(headNumbers([comment], 'in').map(({ of, length }) => [of, length.text])).toEqual(found)
  })

  test('a unit that is written beside a number counts for it, and the program’s for the others', () => {
    const [stock] = headNumbers(['STOCK 120 X 80 X 40 MM'], 'in')
    expect(stock?.length.nm).toBe(120e6)
    const [bare] = headNumbers(['STOCK 4 X 3'], 'in')
    expect(bare?.length.nm).toBe(4 * 25.4e6)
  })
})

describe('the head against the sheet', () => {
  const [offset] = workedSheet().offsets
  const sheet = workedSheet({
    unit: 'in',
    stock: { X: inch('4.0'), Y: inch('3.0'), Z: inch('1.5') },
    holding: { jaw: inch('1.5'), parallels: inch('1.25') },
    offsets: [{ ...offset!, Z: { by: 'carried-difference', facing: inch('0') } }],
  })
  const judge = (...header: string[]) => headAgainstSheet({ header, unit: 'in' }, { sheet })
  const codes = (...header: string[]) =>
    judge(...header).map(({ code, head }) => (head ? `${code} ${head.of}` : code))

  test('zero .025 below the stock top, and the sheet faces nothing', () => {
    expect(codes('Z ZERO -.025')).toEqual(['head-differs zero-below-top'])
    expect(judge('Z ZERO -.025')[0]?.head).toEqual({
      of: 'zero-below-top',
      writtenNm: 635_000,
      sheet: 0,
    })
  })

  test('jaws 1.5 with parallels 1.5 grip nothing; and the sheet says other parallels', () => {
    expect(codes('JAWS 1.5', 'PARALLELS 1.5')).toEqual([
      'head-grips-nothing',
      'head-differs parallels',
    ])
    expect(judge('JAWS 1.5', 'PARALLELS 1.5')[0]?.severity).toBe('danger')
  })

  test('what agrees is not told; stock may differ as it is sawn', () => {
    expect(codes('STOCK 4.0 X 3.0 X 1.51', 'JAWS 1.500', 'PARALLELS 1-1/4')).toEqual([])
    expect(codes('STOCK 4.0 X 3.0 X 1.75')).toEqual(['head-differs stock-Z'])
  })

  test('in words: both numbers, and where to look', () => {
    const [one] = judge('Z ZERO -.025')
    const { title, remedy } = describeJudgement(one!, (nm) => `${(nm / 25.4e6).toFixed(3)} in`)
    expect(title).toBe('Its head says zero below the stock top 0.025 in, the sheet 0.000 in')
    expect(remedy).toContain('Z ZERO -.025')
  })
})

describe('a note to the next shift', () => {
  const with_ = (...bodies: object[]) =>
    bodies.reduce<ReturnType<typeof workedDocument>>(
      (document, body, index) =>
        appendFact(document, { ...fact(), id: `note-${index}`, kind: 'note', body } as SetupFact),
      workedDocument(),
    )

  test('stands until it was read, the oldest first, and changes nothing of the set-up', () => {
    const document = with_({ text: 'H3 is the short drill' }, { text: 'coolant is low' })
    expect(openNotes(document).map(({ text }) => text)).toEqual([
      'H3 is the short drill',
      'coolant is low',
    ])
    expect(document.lastChange).toBe(workedDocument().lastChange)
    expect(isReleased(document)).toBe(false)
    const read = with_({ text: 'one' }, { text: 'two' }, { noteRead: 'note-0' })
    expect(openNotes(read).map(({ text }) => text)).toEqual(['two'])
  })
})

test('the same job again runs with the program that it ran with last', () => {
  const reading = { header: [] } as never
  const program = (name: string) => ({ ...fact(), name, bytes: 1, sha256: 'a'.repeat(64), reading })
  const document = { ...workedDocument(), programs: [program('old.nc'), program('new.nc')] }
  expect(programAgain(document)).toEqual({
    name: 'new.nc',
    bytes: 1,
    sha256: 'a'.repeat(64),
    reading,
  })
  expect(programAgain(workedDocument())).toBeUndefined()
})
