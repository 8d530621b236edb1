import { type Reading, type SetupDocument, type SetupEvent } from '../src/facts'
import { checkDocument } from '../src/facts'
import { gaugesElsewise } from '../src/freshness'
import { solve } from '../src/solve'
import { type Warning } from '../src/registers'
import { describeStale, describeWarning } from '../src/words'
import { describeEvent } from '../src/words/setup/event-words'
import {
  checkFailed,
  difference,
  event,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  shown,
  tipTouch,
  workedDocument,
} from './worked-example'

// The worked example: nose at −300 and tip at −220 on a setter of 50.000: plane −350, H1 −270, or 80 from the nose; the left
// face −60 touched at −412.300 with a finder of 10.000: X −347.300.

type Measured = Extract<SetupEvent, { kind: 'gauge-measured' }>

const measured = (gauge: string, size: string, since: Measured['since'] = 'last-good') =>
  event({ kind: 'gauge-measured', gauge, size: mm(size), since })

/** A set-up with what the test makes, in the order in which it makes it. */
function after(make: () => readonly (Reading | SetupEvent)[], changes = {}): SetupDocument {
  const made = make()
  return {
    ...workedDocument(
      changes,
      made.filter((one): one is Reading => 'of' in one),
    ),
    events: made.filter((one): one is SetupEvent => !('of' in one)),
  }
}

function at(document: SetupDocument, wanted: string) {
  const register = solve(document).registers.find(({ address }) => address === wanted)
  if (register === undefined) throw new Error(`no register ${wanted}`)
  return register
}

const inMm = (document: SetupDocument, wanted: string) => (at(document, wanted).value ?? NaN) / 1e6
const all = () => [noseTouch(), tipTouch(), leftTouch(), frontTouch(), difference()]

describe('a gauge that was measured anew', () => {
  test('corrects what was touched with it: a setter 0.012 higher makes H1 0.012 lower', () => {
    const document = after(() => [...all(), measured('setter', '50.012')])
    expect(inMm(document, 'H1')).toBe(-270.012)
    expect(inMm(document, 'G54.Z')).toBe(-30)
    expect(inMm(document, 'G54.X')).toBe(-347.3)
    expect(at(document, 'H1').stale).toBeUndefined()
  })

  test('a finder counts with half of it', () => {
    const document = after(() => [...all(), measured('finder', '10.020')])
    expect(inMm(document, 'G54.X')).toBe(-347.29)
    expect(inMm(document, 'H1')).toBe(-270)
  })

  test('cancels where it lay at both ends: a length from nose and tip is what it was', () => {
    const document = after(() => [...all(), measured('setter', '51.000')], { school: 'gauge-line' })
    expect(inMm(document, 'H1')).toBe(80)
  })

  test('what it is from now on leaves what was read before', () => {
    const document = after(() => {
      const before = all()
      const now = measured('setter', '50.012', 'now')
      return [...before, now]
    })
    expect(inMm(document, 'H1')).toBe(-270)
    const again = after(() => {
      const before = all()
      const now = measured('setter', '50.012', 'now')
      const tip = { ...tipTouch(), supersedes: before[1]?.id ?? '', reason: 'another size' }
      return [...before, now, tip]
    })
    expect(inMm(again, 'H1')).toBe(-270.012)
  })

  test('measured once more, the last one counts; a bad one in between is forgotten', () => {
    const document = after(() => [
      ...all(),
      measured('setter', '50.120'),
      measured('setter', '50.012'),
    ])
    expect(inMm(document, 'H1')).toBe(-270.012)
  })

  test('is told in the trace by its own name, and its own uncertainty counts', () => {
    const sure = event({
      kind: 'gauge-measured',
      gauge: 'setter',
      size: mm('50.012'),
      since: 'last-good',
      uncertainty: mm('0.5'),
    })
    const document = after(() => [...all(), sure])
    const register = at(document, 'H1')
    const names = register.chain?.terms.map(({ source }) => source.name)
    expect(names).toContain('50 mm setter, measured anew')
    // Half a millimetre outweighs everything else: k = 2 of it.
    expect(register.budget?.expandedMm).toBeCloseTo(1, 2)
  })
})

describe('after a failed check', () => {
  test('the true size since the last good one takes its readings back', () => {
    const hurt = after(() => {
      const readings = all()
      return [...readings, checkFailed('setter')]
    })
    expect(at(hurt, 'H1').stale).toMatchObject({ by: 'event', event: { kind: 'check-failed' } })
    const mended = after(() => [...all(), checkFailed('setter'), measured('setter', '50.012')])
    expect(at(mended, 'H1').stale).toBeUndefined()
    expect(inMm(mended, 'H1')).toBe(-270.012)
  })

  test('what was read up to the last good check keeps the size of the sheet', () => {
    const document = after(() => {
      const [nose, tip, ...rest] = all()
      if (nose === undefined || tip === undefined) throw new Error('they are there')
      return [nose, tip, ...rest, checkFailed('setter', tip), measured('setter', '50.012')]
    })
    expect(inMm(document, 'H1')).toBe(-270)
    expect(at(document, 'H1').stale).toBeUndefined()
  })

  test('a size from now on does not say what it was: what was read since stays suspect', () => {
    const document = after(() => [
      ...all(),
      checkFailed('setter'),
      measured('setter', '50.012', 'now'),
    ])
    expect(at(document, 'H1').stale).toBeDefined()
    // Another gauge's size says nothing of this one.
    const other = after(() => [...all(), checkFailed('setter'), measured('finder', '10.01')])
    expect(at(other, 'H1').stale).toBeDefined()
  })

  test('that came after the measurement asks again', () => {
    const document = after(() => [...all(), measured('setter', '50.012'), checkFailed('setter')])
    expect(at(document, 'H1').stale).toBeDefined()
    const [gauge] = document.sheet.gauges
    const { stale } = at(document, 'H1')
    expect(stale && describeStale(stale, document.sheet.gauges)).toBe(
      `the ${gauge?.name} failed its check`,
    )
  })
})

test('what the control shows from before is to be keyed again, not a slip', () => {
  const keyed = after(() => all())
  const read = { ...keyed, readBacks: [shown('H1', '-270.000')] }
  expect(at(read, 'H1').state).toBe('keyed')
  const document = { ...read, events: [measured('setter', '50.012')] }
  expect(at(document, 'H1')).toMatchObject({ state: 'read' })
  expect(at(document, 'H1').readBack).toBeUndefined()
})

test('a gauge that is not there, and a size that is none, are refused at their place', () => {
  const problems = (one: SetupEvent) =>
    checkDocument(after(() => [...all(), one])).map(({ code, place }) => [
      code,
      place.replace(/\d+/, 'N'),
    ])
  expect(problems(measured('block', '25'))).toEqual([['reference-unknown', 'facts.N.body.gauge']])
  expect(problems(measured('setter', '-50'))).toEqual([['length-negative', 'facts.N.body.size']])
  expect(problems(measured('setter', '0'))).toEqual([['length-zero', 'facts.N.body.size']])
  const unsure = event({
    kind: 'gauge-measured',
    gauge: 'setter',
    size: mm('50'),
    since: 'now',
    uncertainty: mm('-0.1'),
  })
  expect(problems(unsure)).toEqual([['length-negative', 'facts.N.body.uncertainty']])
})

test('it is called by its name, and by its id where no sheet knows it any more', () => {
  const { gauges } = workedDocument().sheet
  expect(describeEvent(measured('setter', '50.012'), gauges)).toBe(
    'the 50 mm setter was measured anew: 50.012 mm',
  )
  expect(describeEvent(checkFailed('gone'), gauges)).toBe('the gauge gone failed its check')
})

describe('generations of a size', () => {
  /** H1 of the worked example, with what happened to its gauges after the touches; the tip is what was last good. */
  const lengthAfter = (happened: (tip: Reading) => readonly SetupEvent[]) =>
    inMm(
      after(() => {
        const readings = all()
        const [, tip] = readings
        if (tip === undefined) throw new Error('it is there')
        return [...readings, ...happened(tip)]
      }),
      'H1',
    )

  test('begin at the last good check of this very gauge, and of no other', () => {
    expect(lengthAfter((tip) => [checkFailed('finder', tip), measured('setter', '50.012')])).toBe(
      -270.012,
    )
    expect(lengthAfter((tip) => [checkFailed('setter', tip), measured('setter', '50.012')])).toBe(
      -270,
    )
  })

  test('begin at the last of several failed checks: what the first made doubtful stays so', () => {
    const twice = after(() => {
      const readings = all()
      const [, tip] = readings
      return [
        ...readings,
        checkFailed('setter'),
        checkFailed('setter', tip),
        measured('setter', '50.012'),
      ]
    })
    expect(inMm(twice, 'H1')).toBe(-270)
    expect(at(twice, 'H1').stale).toMatchObject({
      event: { kind: 'check-failed', goodThrough: -1 },
    })
    // Touched since the second failure’s last good check, it is corrected, and neither stands in its way.
    const since = after(() => {
      const [nose, , ...others] = all()
      const first = checkFailed('setter')
      const tip = tipTouch()
      return [
        nose!,
        ...others,
        first,
        tip,
        checkFailed('setter', nose),
        measured('setter', '50.012'),
      ]
    })
    expect(inMm(since, 'H1')).toBe(-270.012)
    expect(at(since, 'H1').stale).toBeUndefined()
  })

  test('a check that fails after the measurement takes nothing of it back', () => {
    expect(lengthAfter((tip) => [measured('setter', '50.012'), checkFailed('setter', tip)])).toBe(
      -270.012,
    )
  })

  test('a second one leaves the first what was read before its own', () => {
    expect(
      lengthAfter((tip) => [
        measured('setter', '50.012'),
        checkFailed('setter', tip),
        measured('setter', '50.1'),
      ]),
    ).toBe(-270.012)
    // Failed before the first measurement, which answered for it: the second is of the same generation as the first.
    expect(
      lengthAfter((tip) => [
        checkFailed('setter', tip),
        measured('setter', '50.012', 'now'),
        measured('setter', '50.1'),
      ]),
    ).toBe(-270)
  })
})

describe('a size that is far from what is marked', () => {
  const told = (gauge: string, size: string) =>
    solve(after(() => [...all(), measured(gauge, size)])).warnings.filter(
      ({ code }) => code === 'gauge-size-differs',
    )

  test.each([
    ['setter', '50.012', []],
    ['setter', '49.500', []],
    ['setter', '49.499', [undefined]],
    ['setter', '5.0012', ['decimal-shifted']],
    ['setter', '1.9690', ['unit-inch-for-mm']],
    ['paper', '0.10', []],
    ['paper', '0.90', ['decimal-shifted']],
  ])('%s measured as %s: %j', (gauge, size, causes) => {
    expect(told(gauge, size).map((warning) => warning.causes?.[0]?.code)).toEqual(causes)
  })

  test('is told by how much, to which side and of which gauge; the last size counts', () => {
    const [warning] = told('setter', '60')
    expect(warning).toMatchObject({ place: '50 mm setter', amount: 10_000_000 })
    const words = (one: Warning | undefined) =>
      one && describeWarning(one, (nm) => `${nm / 1e6} mm`)
    expect(words(warning)).toMatch(/^50 mm setter: the measured size is 10 mm larger/)
    expect(words(told('setter', '5.0012')[0])).toContain('44.9988 mm smaller')
    const mended = after(() => [
      ...all(),
      measured('setter', '5.0012'),
      measured('setter', '50.012'),
    ])
    expect(solve(mended).warnings.map(({ code }) => code)).not.toContain('gauge-size-differs')
  })
})

describe('a gauge that the shop corrected since', () => {
  const document = { ...workedDocument({}, []), length: 1_000_000 }
  const [setter] = document.sheet.gauges
  if (setter === undefined) throw new Error('the worked sheet has a setter')
  const today = [{ ...setter, size: mm('50.012') }]

  test('is told with both sizes, until it is taken over', () => {
    expect(gaugesElsewise(document, today)).toEqual([
      {
        gauge: 'setter',
        name: '50 mm setter',
        here: mm('50.000'),
        shop: mm('50.012'),
        isRoughHere: false,
      },
    ])
    const taken = event({
      kind: 'gauge-measured',
      gauge: 'setter',
      size: mm('50.012'),
      since: 'now',
    })
    expect(gaugesElsewise({ ...document, events: [taken] }, today)).toEqual([])
  })

  test('is told where nobody had measured it before, also with the very digits that it was about', () => {
    const gauges = document.sheet.gauges.map((one) => ({ ...one, sizeRough: true }) as const)
    const rough = { ...document, sheet: { ...document.sheet, gauges } }
    const [measured] = gaugesElsewise(rough, [setter])
    expect(measured).toMatchObject({ shop: mm('50.000'), isRoughHere: true })
    expect(gaugesElsewise(rough, gauges)).toEqual([])
    const taken = event({
      kind: 'gauge-measured',
      gauge: 'setter',
      size: mm('50.000'),
      since: 'last-good',
    })
    expect(gaugesElsewise({ ...rough, events: [taken] }, [setter])).toEqual([])
  })

  test('is not told where it is the same in other digits, or of no shop', () => {
    const same = [{ ...setter, size: mm('50.0') }]
    expect(gaugesElsewise(document, same)).toEqual([])
    expect(gaugesElsewise(document, [{ ...setter, id: 'another', size: mm('60') }])).toEqual([])
  })
})
