import { type Reading, type SetupDocument } from '../src/facts'
import { surpriseOf, type Surprise } from '../src/expect'
import { ladderOf, layoutLadder, planViewOf } from '../src/picture'
import { readProgram } from '../src/program'
import { faultsOf, judgeAll, machineExtents } from '../src/running'
import { openNeedOf } from '../src/running/needed-address'
import { solve } from '../src/solve'
import { type OffsetPlan, type SetupSheet } from '../src/sheet'
import {
  difference,
  leftTouch,
  mm,
  noseTouch,
  planeReadings,
  readingOf,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

// What a number that cannot be read, or one that is missing, leaves unread, and what it does not.

const [offset] = workedSheet().offsets
if (offset === undefined) throw new Error('the worked sheet has one')
const valuesOf = (document: SetupDocument) =>
  Object.fromEntries(solve(document).registers.map(({ address, value }) => [address, value]))
const problemsOf = (document: SetupDocument) => solve(document).problems.map(({ place }) => place)

describe('a swept centre', () => {
  const plan = { by: 'sweep', side: 'inside', drawing: mm('0') } as const
  const sweep = (changes: object = {}): Reading =>
    readingOf<'sweep'>({
      of: 'sweep',
      row: 'G54',
      read: mm('-300'),
      readY: mm('-200'),
      dial: { right: mm('0'), left: mm('0'), front: mm('0'), back: mm('0') },
      with: [],
      ...changes,
    })
  const solved = (changes: object) =>
    valuesOf(workedDocument({ offsets: [{ ...offset, X: plan, Y: plan }] }, [sweep(changes)]))

  test('needs both positions and the whole dial', () => {
    expect(solved({})).toMatchObject({ 'G54.X': -300e6, 'G54.Y': -200e6 })
    const dial = { right: mm('0'), left: mm('0'), front: mm('0'), back: mm('x') }
    for (const missing of [{ read: mm('x') }, { readY: mm('') }, { dial }]) {
      const values = solved(missing)
      expect([values['G54.X'], values['G54.Y']]).toEqual([undefined, undefined])
    }
  })
})

describe('a turned corner', () => {
  const corner = (face: 'left' | 'front') =>
    ({ by: 'turned-corner', face, drawing: mm('0') }) as const
  const places = (X: OffsetPlan['X'], Y: OffsetPlan['Y']) =>
    problemsOf(workedDocument({ offsets: [{ ...offset, X, Y }] }, []))

  test('is planned on both axes, and told at the one that says so', () => {
    expect(places(corner('left'), corner('front'))).toEqual([])
    expect(places(corner('left'), offset.Y)).toEqual(['sheet.offsets.0.X.by'])
    expect(places(offset.X, corner('front'))).toEqual(['sheet.offsets.0.Y.by'])
  })
})

describe('a quill on a part that is found from another', () => {
  const second = (quill?: object): OffsetPlan => ({
    ...offset,
    row: 'G55',
    Z: { by: 'fixture-difference', from: 'G54', facing: mm('0'), ...(quill && { quill }) } as never,
  })
  const at = (own?: object, others?: object) =>
    valuesOf(
      workedDocument(
        {
          offsets: [
            { ...offset, Z: { ...offset.Z, ...(others && { quill: others }) } as never },
            second(own),
          ],
        },
        [
          ...planeReadings(),
          readingOf<'fixture-difference'>({
            of: 'fixture-difference',
            row: 'G55',
            from: 'G54',
            zeroedOn: 'from',
            read: mm('5.000'),
            with: [],
          }),
        ],
      ),
    )['G55.Z']
  const quill = (running: string) => ({ measured: mm('0'), running: mm(running) })

  test('counts by how much further it is out there than where it is counted from', () => {
    const none = at()
    if (none === undefined) throw new Error('it is found')
    expect(at(quill('3'), quill('3'))).toBe(at(undefined, quill('3')))
    expect((at(quill('3'), quill('1')) ?? NaN) - (at(quill('1'), quill('1')) ?? NaN)).toBe(2e6)
    expect(at(quill('x'))).toBeUndefined()
  })
})

describe('backlash', () => {
  const { machine } = workedSheet()
  const withLost = (Z?: string): SetupDocument =>
    workedDocument({ machine: { ...machine, lostMotion: Z === undefined ? {} : { Z: mm(Z) } } }, [
      { ...tipTouch(), approach: '+' } as Reading,
    ])
  const H1 = (document: SetupDocument) =>
    solve(document).registers.find(({ address }) => address === 'H1')

  test('below zero is told where it stands, and leaves the length unread', () => {
    expect(problemsOf(withLost('-0.02'))).toContain('sheet.machine.lostMotion.Z')
    expect(H1(withLost('-0.02'))?.value).toBeUndefined()
    expect(H1(withLost('0.02'))?.value).toBeDefined()
  })

  test('that nobody declared makes the number less sure', () => {
    const [undeclared, none] = [H1(withLost())?.budget, H1(withLost('0'))?.budget]
    expect(undeclared?.expandedMm).toBeGreaterThan(none?.expandedMm ?? Infinity)
  })

  test('and an unreadable gauge each leave a difference unread', () => {
    const broken = workedSheet().gauges.map((one) =>
      one.id === 'paper' ? { ...one, size: mm('x') } : one,
    )
    const carried = { ...difference(), with: ['paper'] } as Reading
    const sheet: Partial<SetupSheet> = { gauges: broken }
    expect(valuesOf(workedDocument(sheet, [carried]))['G54.Z']).toBeUndefined()
    const negative = { machine: { ...machine, lostMotion: { Z: mm('-1') } } }
    const risen = { ...difference(), approach: '+' } as Reading
    expect(valuesOf(workedDocument(negative, [risen]))['G54.Z']).toBeUndefined()
    expect(valuesOf(workedDocument({}, [difference()]))['G54.Z']).toBe(-30e6)
  })
})

describe('what a surprise may be', () => {
  const expected = { mm: -170, standardMm: 1, because: [] } as const
  const told = (text: string, toBe: object, unit: 'mm' | 'in' = 'mm'): Surprise | undefined =>
    surpriseOf(workedDocument({}, []), toBe as never, expected, { text, unit })
  const inZ = { of: 'tip-on-plane', tool: 1, with: ['setter'] }

  test('a gauge that was said is another slip than one that lay there unsaid', () => {
    // −220 with the setter said: it was taken off by hand as well.
    expect(told('-220.000', inZ)?.slip).toMatchObject({
      code: 'gauge-doubled',
      about: '50 mm setter',
    })
    expect(told('-120.000', { ...inZ, with: [] })?.slip).toMatchObject({ code: 'gauge-forgotten' })
    expect(told('-120.000', inZ)?.slip?.code).not.toBe('gauge-forgotten')
  })

  test('in X and Y no gauge is named: half of a tip goes one way or the other', () => {
    const face = { of: 'face', row: 'G54', face: 'left', with: [] }
    expect(told('-180.000', face)?.slip?.code).not.toBe('gauge-forgotten')
    expect(told('-120.000', face)).toBeDefined()
  })

  test('digits of a reading in the other unit are those that were typed', () => {
    // −170 mm is −6.6929 in; two digits of it changed places.
    expect(told('-6.6929', inZ, 'in')).toBeUndefined()
    expect(told('-6.9629', inZ, 'in')?.slip).toEqual({
      code: 'digits-swapped',
      meant: -6.6929 * 25.4e6,
    })
    expect(told('-710.000', inZ)?.slip).toMatchObject({ code: 'digits-swapped', meant: -170e6 })
  })
})

describe('a program against a set-up', () => {
  const read = (...lines: readonly string[]) => readProgram(lines.join('\n'))
  const document = workedDocument({}, planeReadings())
  const solution = solve(document)
  const judged = (...lines: readonly string[]) =>
    faultsOf(judgeAll(read(...lines), document, solution), solution)

  test('a tool that is not on the sheet is told by its number', () => {
    const told = judged('G21 G90', 'T7 M6', 'G54 G0 X0 Y0', 'G43 H7 Z25.', 'M30')
    expect(told.filter(({ code }) => code === 'tool-not-on-sheet')).toMatchObject([{ tool: 7 }])
    // Before any tool is called there is none to miss.
    expect(judged('G21 G90', 'G54 G0 X0 Y0').map(({ code }) => code)).not.toContain(
      'tool-not-on-sheet',
    )
  })

  test('a row whose numbers are all there is only not keyed yet', () => {
    const needs = judgeAll(
      read('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z25.', 'M30'),
      document,
      solution,
    )
    expect(needs.filter(({ row }) => row === 'G54').map(({ code }) => code)).toEqual([
      'offset-not-set',
    ])
    const stale = { ...document, events: [] }
    expect(solve(stale).registers.every(({ state }) => state === 'read')).toBe(true)
  })

  test('what is stale or wrong is mended at the machine, what is open in the run', () => {
    const need = (code: string) =>
      openNeedOf({ code, line: 1, severity: 'look', row: 'G54' } as never)
    expect(need('offset-not-set')).toBe('G54')
    expect(need('offset-stale')).toBeUndefined()
    expect(need('below-part')).toBeUndefined()
  })

  test('what is reached is told in machine position, with a length or without', () => {
    const extents = (...lines: readonly string[]) =>
      read(...lines).operations.flatMap((one) => machineExtents(one, document, solution))
    const [reached] = extents('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z25.', 'X10.', 'M30')
    // X −347.3; Z −30 − 270 + 25.
    expect(reached).toMatchObject({
      row: 'G54',
      extents: { X: [-347.3e6, -337.3e6], Z: [-275e6, -275e6] },
    })
    expect(extents('G21 G90', 'T1 M6', 'G54 G0 X0 Y0', 'X5.')[0]?.extents.X).toEqual([
      -347.3e6, -342.3e6,
    ])
    expect(extents('G21 G90', 'T1 M6', 'G59 G0 X0 Y0', 'X5.')).toEqual([])
  })
})

describe('drawn', () => {
  test('touches that were read around a bore lie where they were made', () => {
    const circle = {
      by: 'circle',
      side: 'inside',
      diameter: mm('40'),
      tolerance: mm('0.1'),
      drawing: mm('0'),
    } as const
    const bore = { ...offset, X: circle, Y: circle }
    const degrees = [30, 140, 260]
    const point = (turn: number, index: number): Reading => {
      const a = (turn * Math.PI) / 180
      return readingOf<'circle-point'>({
        of: 'circle-point',
        row: 'G54',
        point: index + 1,
        read: mm((-300 + 15 * Math.cos(a)).toFixed(6)),
        readY: mm((-200 + 15 * Math.sin(a)).toFixed(6)),
        with: ['finder'],
      })
    }
    const drawn = (turns: readonly number[]) => {
      const document = workedDocument({ offsets: [bore] }, turns.map(point))
      return planViewOf(document, solve(document), bore).touches.map(
        ({ x, y }) => Math.round((Math.atan2(y, x) * 180) / Math.PI + 360) % 360,
      )
    }
    expect(drawn(degrees).slice(0, 3)).toEqual(degrees)
    // Two do not tell a circle: they are drawn where they would be made.
    expect(drawn([30, 140]).slice(0, 2)).toEqual([0, 90])
  })

  test('labels keep a pitch apart and within the picture, in the order of their rungs', () => {
    const document = workedDocument({}, [noseTouch(), tipTouch(), leftTouch(), difference()])
    const ladder = ladderOf(document, solve(document), { of: 'tip-on-plane', tool: 1 })
    const box = { width: 300, height: 90, marginTop: 10, marginBottom: 10, labelPitch: 20 }
    const labels = layoutLadder(ladder, box).map(({ labelY }) => labelY)
    expect(labels.length).toBeGreaterThan(3)
    for (const [index, y] of labels.entries()) {
      expect(y).toBeLessThanOrEqual(box.height - box.labelPitch / 2)
      if (index > 0) expect(y - labels[index - 1]!).toBeGreaterThanOrEqual(box.labelPitch - 1e-9)
    }
  })
})
