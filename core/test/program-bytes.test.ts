import { LineSplitter, readProgram, readProgramPieces } from '../src/program'
import { readBlock } from '../src/program/text/block'
import { BlockNumbers, readPlainMove } from '../src/program/motion/plain-move'
import { Chance, trials } from './random'

const bytesOf = (text: string) => Uint8Array.from(text, (character) => character.charCodeAt(0))
const textOf = (bytes: Uint8Array) => String.fromCharCode(...bytes)

describe('lines out of pieces', () => {
  const split = (...pieces: readonly string[]) => {
    const lines: string[] = []
    const splitter = new LineSplitter(
      (bytes, from, to) => {
        lines.push(textOf(bytes.subarray(from, to)))
      },
      () => lines.push('too long'),
    )
    for (const piece of pieces)
      splitter.take(Uint8Array.from(piece, (character) => character.charCodeAt(0)))
    splitter.end()
    return lines
  }
  test('however a file ends its lines and wherever it is cut: as the language splits it', () => {
    for (let seed = 1; seed <= trials(2000); seed += 1) {
      const chance = new Chance(seed)
      const text = Array.from({ length: chance.whole(0, 30) }, () =>
        chance.of(['G1', 'X2', ' ', '\r\n', '\n', '\r']),
      ).join('')
      const cuts = Array.from({ length: 3 }, () => chance.whole(0, text.length)).sort(
        (a, b) => a - b,
      )
      const ends = [0, ...cuts, text.length]
      const pieces = ends.slice(1).map((end, at) => text.slice(ends[at], end))
      const expected = text.split(/\r\n|\n|\r/)
      if (expected.at(-1) === '') expected.pop()
      expect([seed, split(...pieces)]).toEqual([seed, expected])
    }
  })
  test('a file without line ends does not fill the memory', () => {
    expect(split(...Array.from({ length: 10 }, () => 'x'.repeat(50_000)))).toEqual(['too long'])
  })
  test('a line that is too long is left out whole, and the next one is read', () => {
    const long = `X1${'2'.repeat(70_000)}`
    expect(split('G0 Z5\n', long.slice(0, 40_000), long.slice(40_000), '\nG1 X3\n')).toEqual([
      'G0 Z5',
      'too long',
      'G1 X3',
    ])
    expect(split(`G0 Z5\n${long}\nG1 X3`)).toEqual(['G0 Z5', 'too long', 'G1 X3'])
  })
})

describe('a plain move', () => {
  const numbers = new BlockNumbers()
  const plain = (line: string) => readPlainMove(bytesOf(`..${line}..`), 2, 2 + line.length, numbers)
  const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'
  const written = () =>
    [...letters].flatMap((letter, at) =>
      numbers.has(at) ? [[letter, numbers.get(at)] as const] : [],
    )

  test('has the numbers that its words have', () => {
    let count = 0
    for (let seed = 1; seed <= trials(5000); seed += 1) {
      const chance = new Chance(seed)
      const words = Array.from({ length: chance.whole(0, 5) }, () => {
        const digits = `${chance.whole(0, 10 ** chance.whole(1, 6))}`
        const decimals = '0123456789'.slice(0, chance.whole(0, 5))
        return `${chance.of([...'XYZIJKRFSNGxyzg'])}${chance.of(['', '-', '+'])}${chance.of([digits, `${digits}.`, `${digits}.${decimals}`, `.${decimals}`, '1', '2'])}`
      })
      const line = words.join(chance.of(['', ' ', '\t']))
      if (!plain(line)) continue
      count += 1
      const first = new Map<string, number>()
      for (const { letter, value } of readBlock(line).words)
        if (!first.has(letter)) first.set(letter, value)
      expect([line, written()]).toEqual([
        line,
        [...first].sort(([one], [other]) => (one < other ? -1 : 1)),
      ])
    }
    expect(count).toBeGreaterThan(trials(2000))
  })

  test.each([
    'G4 P1',
    'G17 X1',
    'G0.1 X1',
    'G-1 X1',
    'X',
    'X-',
    'X.',
    'X1 2',
    'X 1',
    'X1..2',
    'X1(note)',
    '/X1',
    'M3',
    'T1',
    'X#1',
    'X[1]',
    'X1234567890',
    'X1*',
  ])('%s is none', (line) => expect(plain(line)).toBe(false))
})

test('a file that comes in pieces, or as bytes at all, reads as its text does', () => {
  const text = [
    'G21 G90 (F\u00fcllst\u00fcck)',
    'T1 M6 (M\u00fchle)',
    'G54 G43 H1 G0 Z5.',
    'G1 Z-1.25 F100',
    'M98 P7 L2',
    'X1. Y-2.',
    'G2 X3. R1.2 ? ',
    'G49 M30',
    'O7',
    'G91 X.5 Z-.1',
    'G90',
    'M99',
  ].join('\n')
  const expected = readProgram(text)
  expect(expected.header).toEqual(['F\u00fcllst\u00fcck'])
  expect(expected.problems.map(({ code }) => code)).toEqual(['character-unknown'])
  for (let cut = 1; cut < text.length; cut += 1) {
    const bytes = bytesOf(text)
    // What was taken is written over, as a reader of files does with its buffer.
    const buffer = new Uint8Array(bytes.length)
    const reading = readProgramPieces((take) => {
      for (const [from, to] of [
        [0, cut],
        [cut, bytes.length],
      ] as const) {
        buffer.fill(0).set(bytes.subarray(from, to))
        take(buffer.subarray(0, to - from))
      }
    }, textOf)
    expect([cut, reading]).toEqual([cut, expected])
  }
})
