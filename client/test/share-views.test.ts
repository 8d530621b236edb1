import { logView } from '@/areas/share/log-view'
import { OFFERED_FILES, programOffer } from '@/areas/share/share-view'
import { mappingOf, sampleColumns, tableView } from '@/areas/share/table-view'
import { TEXT_EXPORTS } from '@pine/formats/exports'
import { after, example, mm } from './run/set-ups'

// Worked by hand in docs/examples: H1 −270.000, X −347.300, Y −250.000, Z −30.000.
const read = example('whole-run', 6)
const { machine } = read.document.sheet
const taking = example('whole-run', 6, {
  machine: { ...machine, control: { ...machine.control, offsetProgram: { offsets: 'L2' } } },
})

const key = (address: 'H1' | 'G54.X', text: string) => ({
  kind: 'key-in' as const,
  body: { address, mode: 'set' as const, typed: mm(text) },
})
const view = (setup: typeof read, text: string, more = {}) =>
  tableView(setup, { text, unit: 'mm', ...more })
const verdicts = (setup: typeof read, text: string, more = {}) =>
  view(setup, text, more).lines.map(({ name, verdict }) => `${name} ${verdict}`)

describe('a table that was read off the control', () => {
  test('each row against what it should show: equal, not keyed yet, not in the table', () => {
    const before = view(read, 'H1 -270.000\nG54 X -12.500 Y -250.000')
    expect(before.lines).toEqual([
      { address: 'H1', name: 'H1', shows: '−270.000 mm', should: '−270.000 mm', verdict: 'equal' },
      {
        address: 'G54.X',
        name: 'G54 X',
        shows: '−12.500 mm',
        should: '−347.300 mm',
        verdict: 'not-keyed',
      },
      {
        address: 'G54.Y',
        name: 'G54 Y',
        shows: '−250.000 mm',
        should: '−250.000 mm',
        verdict: 'equal',
      },
    ])
    expect(before.missing).toEqual(['G54 Z'])
    expect(before.summary).toBe('2 as they should be, 1 not keyed yet.')
    expect(before.button).toBe('Enter 3 rows as read')
    expect(before.facts).toEqual([
      {
        kind: 'read-back',
        via: 'imported',
        body: { address: 'H1', moment: 'after', shown: mm('-270.000') },
      },
      // What the row held before it is keyed: a key that adds counts from it.
      {
        kind: 'read-back',
        via: 'imported',
        body: { address: 'G54.X', moment: 'before', shown: mm('-12.500') },
      },
      {
        kind: 'read-back',
        via: 'imported',
        body: { address: 'G54.Y', moment: 'after', shown: mm('-250.000') },
      },
    ])
    expect(after(read, ...before.facts).solution.registers.map(({ state }) => state)).toEqual([
      'keyed',
      'read',
      'keyed',
      'read',
    ])
  })

  test('a row that was keyed and differs is explained as if it had been typed', () => {
    const keyed = after(read, key('H1', '-270.000'), key('G54.X', '-347.300'))
    const { lines, facts } = view(keyed, 'H1 270.000\nG54 X-347.300')
    expect(lines[0]).toMatchObject({ verdict: 'differs', cause: expect.stringMatching(/sign/i) })
    expect(lines[1]).toMatchObject({ verdict: 'equal' })
    // What differs comes first, wherever it stands.
    const other = view(keyed, 'H1 -270.000\nG54 X347.300')
    expect(other.lines.map(({ name }) => name)).toEqual(['G54 X', 'H1'])
    expect(other.summary).toBe('1 differs, 1 as it should be.')
    const [H1] = after(keyed, ...facts).solution.registers
    expect(H1).toMatchObject({ state: 'read', readBack: { equal: false } })
    expect(H1?.readBack?.causes[0]?.code).toBe('sign-turned')
  })

  test('rows that the set-up does not set are counted, and enter nothing', () => {
    expect(view(read, 'H1 -270.000\nH2 80.000\nG55 X1.0')).toMatchObject({ others: 2 })
    expect(view(read, 'H2 80.000').facts).toEqual([])
  })

  test('what is not understood is told with its line, and takes nothing else with it', () => {
    const { problems, facts } = view(read, 'H1 -270.000\nwhat\nG54 X 1,5')
    expect(problems).toEqual([
      expect.stringMatching(/^Line 2, “what”: Not understood/),
      expect.stringMatching(/^Line 3, “1,5”: Not a number/),
    ])
    expect(facts).toHaveLength(1)
  })

  test('while a lift is in nothing is entered: the rows hold raised numbers', () => {
    const lift = { where: 'work-offsets', amount: mm('30.000'), moves: 'in' } as const
    const lifted = after(read, { kind: 'lift', body: lift })
    expect(view(lifted, 'H1 -270.000')).toMatchObject({
      facts: [],
      refusal: expect.stringMatching(/lift/),
    })
  })

  test('columns are named by their first line of numbers', () => {
    const text = 'No.  length\n 1   -270.000  4.0'
    expect(sampleColumns(text)).toEqual(['1', '-270.000', '4.0'])
    expect(sampleColumns('H1')).toEqual([])
    const columns = mappingOf('tools', { register: 0, length: 1 })
    expect(verdicts(read, text, { columns })[0]).toBe('H1 equal')
    const rows = mappingOf('offsets', { row: 0, X: 1, Z: 3 })
    expect(verdicts(read, 'G54;-347.300;0.0;-31.000', { columns: rows })).toEqual([
      'G54 X equal',
      'G54 Z not-keyed',
    ])
    expect(mappingOf('tools', { X: 1 })).toBeUndefined()
    expect(mappingOf('offsets', { register: 1 })).toBeUndefined()
  })

  test('inches are read as inches', () => {
    // −270 mm is −10.62992 in: the control shows four decimals of it.
    expect(verdicts(read, 'H1 -10.6299', { unit: 'in' })[0]).toBe('H1 not-keyed')
    expect(verdicts(read, 'H1 -10.62992', { unit: 'in' })[0]).toBe('H1 equal')
  })
})

describe('what can be shared', () => {
  test('every file once; the program apart', () => {
    const all = ['offset-program', ...OFFERED_FILES.map(({ what }) => what)]
    expect(all.toSorted()).toEqual([...TEXT_EXPORTS].toSorted())
    expect(new Set(OFFERED_FILES.map(({ name }) => name)).size).toBe(OFFERED_FILES.length)
  })

  test('a control that takes none is told so; one that takes some says what is in it and what not', () => {
    expect(programOffer(read, 'marked').isTaken).toBe(false)
    expect(programOffer(taking, 'marked')).toMatchObject({
      isTaken: true,
      writes: 'It writes G54 X, G54 Y, G54 Z.',
      leftOut: ['H1: this control is not declared to take it by G10'],
    })
    const careful = programOffer(taking, 'left-out')
    expect(careful.writes).toBe('It writes nothing yet.')
    expect(careful.leftOut).toContain('G54 X: not proven')
    expect(careful.caution).not.toBe(programOffer(taking, 'marked').caution)
  })
})

describe('what happened', () => {
  const at = (day: number, text: string) => `2026-03-0${day}T${text}:00Z`
  const by = (name: string) => ({ name })
  const fact = (id: string, when: string, who: string, body: object, kind = 'read-back') =>
    ({ id, kind, at: when, by: by(who), via: 'typed', body }) as never
  const facts = [
    fact('1', at(1, '08:00'), 'Mira Toller', read.document.sheet, 'sheet'),
    fact('2', at(1, '09:00'), 'Mira Toller', {
      address: 'H1',
      moment: 'after',
      shown: mm('-270.000'),
    }),
    fact('3', at(2, '07:30'), 'Jory Fenn', { kind: 'home-lost' }, 'event'),
    fact('4', at(2, '07:45'), 'Jory Fenn', {
      address: 'G54.X',
      moment: 'after',
      shown: mm('-347.300'),
    }),
  ]
  const now = new Date('2026-03-02T12:00:00Z')
  const told = (tells: Parameters<typeof logView>[2]['tells'], find: string) =>
    logView(read.document, facts, { tells, find }, now).map(({ day, lines }) => [
      day,
      ...lines.map(({ id }) => id),
    ])

  test('stands in days, the last one first', () => {
    expect(told('all', '')).toEqual([
      ['today', '4', '3'],
      ['yesterday', '2', '1'],
    ])
  })

  test('is found by its kind, and by every word of register, person or what was done', () => {
    expect(told('changed', '')).toEqual([['today', '3']])
    expect(told('all', 'h1')).toEqual([['yesterday', '2']])
    expect(told('all', 'jory G54')).toEqual([['today', '4']])
    expect(told('keyed', 'mira')).toEqual([['yesterday', '2']])
    expect(told('program', '')).toEqual([])
  })
})
