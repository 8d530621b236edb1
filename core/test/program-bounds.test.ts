import { comparePrograms, readProgram } from '../src/program'

// What a reader keeps of a program is bounded, whatever the program is; within the bounds nothing is left out.

const read = (...lines: readonly string[]) => readProgram(lines.join('\n'))

test('its head is what its comments say before the first tool and the first move, sixty lines at most', () => {
  expect(read('(ONE)', '()', '(TWO)', 'T1 M6', '(NOT OF THE HEAD)').header).toEqual(['ONE', 'TWO'])
  expect(read('G0 X1', '(AFTER A MOVE)').header).toEqual([])
  const long = Array.from({ length: 80 }, (_, index) => `(LINE ${index})`)
  expect(read(...long).header).toHaveLength(60)
  expect(read(...long).header.at(-1)).toBe('LINE 59')
})

test('a fault is told with its line, its column and so much of its text as is looked at', () => {
  const [fault] = read('G21', `G1 X5 &`).problems
  expect(fault).toMatchObject({ line: 2, column: 7 })
  const [left] = read('G21', `G1 X5 (${'Z'.repeat(500)}`).problems
  expect(left?.code).toBe('comment-open')
  expect(left?.excerpt).toHaveLength(120)
  // A comment that is left open spoils nothing before it: its tool is as sure as before.
  const open = read('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z5.', '(OPEN')
  expect(open.operations.at(-1)?.uncertain ?? false).toBe(false)
  const broken = read('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z5.', 'G1 X&')
  expect(broken.operations.at(-1)?.uncertain).toBe(true)
})

test('a line of nothing but a comment does nothing', () => {
  const reading = read('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', '(LOOK)', '', 'X5.')
  expect(reading.operations.at(-1)?.rows[0]?.extents.X).toEqual([0, 5e6])
})

test('a row that is come back to reaches as far as both times together', () => {
  const reading = read(
    'G21 G90',
    'T1 M6',
    'G54 G0 X0 Y0',
    'X5.',
    'G55 X100. Y0',
    'X120.',
    'G54 X-3. Y0',
    'X2.',
  )
  const rows = reading.operations.at(-1)?.rows ?? []
  expect(rows.map(({ row }) => row)).toEqual(['G54', 'G55'])
  expect(rows[0]?.extents.X).toEqual([-3e6, 5e6])
})

test('nothing is left active at its start: a change after nothing is told nothing', () => {
  const codes = (...lines: readonly string[]) => read(...lines).judgements.map(({ code }) => code)
  const start = ['G21 G90 G40 G49 G80', 'T1 M6', 'G54 G0 X0 Y0']
  expect(codes(...start, 'T2 M6', 'M30')).not.toContain('length-not-cancelled')
  expect(codes(...start, 'G43 H1 Z5.', 'T2 M6', 'M30')).toContain('length-not-cancelled')
  expect(codes(...start, 'G41 D1 X5.', 'T2 M6', 'M30')).toContain('compensation-not-cancelled')
  // Each compensation once; one that is switched on again is told again.
  const twice = codes(...start, 'G41 D1 X5.', 'T2 M6', 'T3 M6', 'G42 D1 X9.', 'T4 M6', 'M30')
  expect(twice.filter((code) => code === 'compensation-not-cancelled')).toHaveLength(2)
})

test('the same tools in another order are told as that, and nothing else', () => {
  const tool = (number: number) => [`T${number} M6`, `G43 H${number} Z5.`, 'G1 Z-1. F100', 'G0 Z5.']
  const program = (...tools: readonly number[]) =>
    readProgram(['G21 G90 G54', ...tools.flatMap(tool), 'M30'].join('\n'))
  const orders = (before: readonly number[], after: readonly number[]) =>
    comparePrograms(program(...before), program(...after)).filter(({ kind }) => kind === 'order')
  expect(orders([1, 2, 10], [2, 10, 1])).toEqual([
    { kind: 'order', before: [1, 2, 10], after: [2, 10, 1] },
  ])
  expect(orders([1, 2], [1, 2])).toEqual([])
  // Another tool is another tool, and no order.
  expect(orders([1, 2], [3, 1])).toEqual([])
  // What moves before any tool is none of them.
  const moved = readProgram('G21 G90 G54\nG0 X5.\nT2 M6\nG43 H2 Z5.\nT1 M6\nG43 H1 Z5.\nM30')
  const plain = readProgram('G21 G90 G54\nG0 X5.\nT1 M6\nG43 H1 Z5.\nT2 M6\nG43 H2 Z5.\nM30')
  expect(comparePrograms(plain, moved)).toContainEqual({
    kind: 'order',
    before: [1, 2],
    after: [2, 1],
  })
})
