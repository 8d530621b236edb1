import { type SetupDocument } from '../src/facts'
import { type EventBody } from '../src/facts/bodies/event'
import { readLength, toNanometres } from '../src/length'
import { airCutLift, proofMove } from '../src/proof'
import { distanceToGoError, gapVerdict } from '../src/proof/proof'
import { outOfReach } from '../src/proof/reach'
import { solve } from '../src/solve'
import { achievedShare, calibrationCut, cutterWearChange } from '../src/wear/wear'
import { parallelsThatFit } from '../src/workholding'
import { clamping, clearsJaws } from '../src/workholding/workholding'
import {
  difference,
  event,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const nm = (text: string) => {
  const read = readLength(mm(text))
  if (!read.ok) throw new Error(read.problem.code)
  return read.value.nm
}

describe('proof (docs/domain.md, “Proof”)', () => {
  const document = workedDocument({ school: 'gauge-line' })
  const solution = solve(document)
  const request = { row: 'G54', tool: 1, clearance: nm('25') } as const

  test('the blocks for the real numbers, and where they end', () => {
    expect(proofMove(document, solution, request)).toMatchObject({
      blocks: ['G90 G54 G0 X0 Y0', 'G43 H1 Z25.'],
      machine: { X: nm('-347.300'), Z: nm('-275') },
    })
  })

  test('where the axis ends at its upper stop, the tip stands that much above zero', () => {
    const { machine } = document.sheet
    const Z = { min: { text: '-500', unit: 'mm' }, max: { text: '0', unit: 'mm' } } as const
    const withTravel = workedDocument({
      school: 'gauge-line',
      machine: { ...machine, travels: { Z } },
    })
    // Zero lies at machine Z −300 with this tool: at the stop the tip is 300 above it.
    expect(proofMove(withTravel, solve(withTravel), request)?.highest).toBe(nm('300'))
    expect(proofMove(document, solution, request)).not.toHaveProperty('highest')
  })

  test('every school ends at the same machine position', () => {
    const other = workedDocument()
    expect(proofMove(other, solve(other), request)?.machine.Z).toBe(nm('-275'))
  })

  test('nothing is proposed while a register is missing', () => {
    const early = workedDocument({}, [tipTouch()])
    expect(proofMove(early, solve(early), request)).toBeUndefined()
  })

  test('position plus distance to go is the target, always', () => {
    expect(distanceToGoError(nm('25'), nm('60.5'), nm('-35.5'))).toBe(0)
    expect(distanceToGoError(nm('25'), nm('60.5'), nm('-30'))).toBe(nm('5.5'))
  })

  test('a gap that is as commanded says nothing; one off by a turned sign names it', () => {
    expect(gapVerdict(document, solution, request, nm('25.02'), nm('0.05'))).toMatchObject({
      stands: 'right',
      causes: [],
    })
    // Z keyed as +30 instead of −30 under the setting plane: every tool stops 60 higher.
    const byPlane = workedDocument()
    const verdict = gapVerdict(byPlane, solve(byPlane), request, nm('85'), nm('0.05'))
    expect(verdict).toMatchObject({ stands: 'too-high', error: nm('60') })
    expect(verdict.causes.find(({ address }) => address === 'G54.Z')?.explanations[0]?.code).toBe(
      'sign-turned',
    )
  })

  test('a setter that was forgotten lets the tip stand 50 too high', () => {
    const byPlane = workedDocument()
    const verdict = gapVerdict(byPlane, solve(byPlane), request, nm('75'), nm('0.05'))
    expect(verdict.causes.find(({ address }) => address === 'H1')?.explanations[0]?.code).toBe(
      'gauge-forgotten',
    )
  })

  test('a dry run is lifted by the lowest Z and a margin, never lowered', () => {
    expect(airCutLift(nm('-12.5'), nm('5'))).toBe(nm('17.5'))
    expect(airCutLift(nm('20'), nm('5'))).toBe(0)
  })
})

test('reach: what lies beyond the travels is told with its axis, its end and by how much', () => {
  const machine = {
    ...workedSheet().machine,
    travels: { Z: { min: mm('-310'), max: mm('0') }, X: { min: mm('-400'), max: mm('0') } },
  }
  const document = workedDocument({ machine })
  const at = (x: string, z: string) => ({ row: 'G54', tool: 1, X: nm(x), Z: nm(z) }) as const
  const found = outOfReach(document, solve(document), [
    at('0', '10'),
    at('0', '-20'),
    at('-60', '5'),
  ])
  expect(found).toMatchObject([
    { axis: 'Z', machine: nm('-320'), beyond: nm('10'), end: 'min' },
    { axis: 'X', machine: nm('-407.3'), beyond: nm('7.3'), end: 'min' },
  ])
})

describe('freshness (docs/domain.md, “What ends a number”)', () => {
  const staleIn = (document: SetupDocument) =>
    solve(document)
      .registers.filter(({ state }) => state === 'stale')
      .map(({ address }) => address)
  const after = (school: 'gauge-line' | 'setting-plane', body: EventBody) =>
    staleIn({ ...workedDocument({ school }), events: [event(body)] })

  test('another part: lengths stay, the work offset goes', () => {
    expect(after('setting-plane', { kind: 'part-changed', row: 'G54' })).toEqual([
      'G54.X',
      'G54.Y',
      'G54.Z',
    ])
  })

  test('a moved plane: what was counted from it goes, a real length stays', () => {
    expect(after('setting-plane', { kind: 'plane-moved' })).toEqual(['H1', 'G54.Z'])
    // S + D: the plane cancels, since the nose and the carried difference both stood on the old one.
    expect(after('gauge-line', { kind: 'plane-moved' })).toEqual([])
  })

  test('a lost home: machine positions go, real lengths and differences stay', () => {
    expect(after('setting-plane', { kind: 'home-lost' })).toEqual(['H1', 'G54.X', 'G54.Y'])
    expect(after('gauge-line', { kind: 'home-lost' })).toEqual(['G54.X', 'G54.Y', 'G54.Z'])
  })

  test('a broken tool: that tool alone, until it is touched again', () => {
    expect(after('gauge-line', { kind: 'tool-changed', tool: 1 })).toEqual(['H1'])
    const base = workedDocument({ school: 'gauge-line' })
    const broken = event({ kind: 'tool-changed', tool: 1 })
    const again = {
      ...tipTouch(),
      supersedes: base.readings[1]!.id,
      reason: 'broken',
    } as (typeof base.readings)[number]
    expect(
      staleIn({
        ...base,
        readings: [...base.readings, again],
        events: [broken],
      }),
    ).toEqual([])
  })

  test('a length that mixes a nose from before with a tip from after a moved plane is found', () => {
    const before = [noseTouch(), leftTouch(), frontTouch(), difference()]
    const moved = event({ kind: 'plane-moved' })
    const base = workedDocument({ school: 'gauge-line' }, [...before, tipTouch()])
    expect(staleIn({ ...base, events: [moved] })).toContain('H1')
  })
})

describe('wear and calibration (docs/domain.md, “Wear”)', () => {
  // Change of the register against the cause: a cutter that is 0.02 smaller leaves an outside width 0.02 larger.
  test.each([
    ['outside', '40.020', 'diameter', '-0.020'],
    ['outside', '40.020', 'radius', '-0.010'],
    ['inside', '39.980', 'diameter', '-0.020'],
    ['inside', '40.010', 'radius', '0.005'],
  ] as const)(
    '%s width of 40 that measures %s: the %s changes by %s',
    (width, measured, holds, change) => {
      expect(cutterWearChange({ nominal: nm('40'), measured: nm(measured), width }, holds)).toBe(
        nm(change),
      )
    },
  )

  test('a calibration cut halves once for two sides', () => {
    const cut = { target: nm('20'), measured: [nm('20.040'), nm('20.044'), nm('20.036')] }
    expect(calibrationCut({ ...cut, sides: 2 })).toMatchObject({
      excess: nm('0.020'),
      change: nm('-0.020'),
      spread: 4000,
    })
    expect(calibrationCut({ ...cut, sides: 1 }).change).toBe(nm('-0.040'))
    expect(() => calibrationCut({ ...cut, measured: [], sides: 1 })).toThrow('needs a measurement')
  })

  test('a change that was keyed and not achieved is not a length', () => {
    expect(achievedShare(nm('20.040'), nm('20.030'), nm('-0.020'), 2)).toBeCloseTo(0.25, 12)
    expect(() => achievedShare(nm('1'), nm('1'), toNanometres(0), 1)).toThrow('got 0')
  })
})

describe('workholding (docs/domain.md, “Holding”)', () => {
  test('jaws of 40 on parallels of 30 hold 10 of a stock of 46', () => {
    expect(clamping({ stock: nm('46'), jaw: nm('40'), parallels: nm('30') })).toEqual({
      grip: nm('10'),
      protrusion: nm('36'),
      holds: true,
    })
  })
  test('jaws and parallels of one height hold nothing', () => {
    expect(clamping({ stock: nm('46'), jaw: nm('40'), parallels: nm('40') })).toMatchObject({
      grip: 0,
      holds: false,
    })
  })
  test('the parallels that fit leave the jaws enough to grip and the cutter clear of them', () => {
    const fit = (jaw: string, stock: string, sideCut?: string) => {
      const found = parallelsThatFit(
        workedSheet({
          stock: { X: mm('60'), Y: mm('60'), Z: mm(stock) },
          holding: { jaw: mm(jaw), parallels: mm(jaw), ...(sideCut && { sideCut: mm(sideCut) }) },
        }),
      )
      return found && [found.from / 1e6, found.to / 1e6]
    }
    // Jaws of 50: a grip of 2 at least; a stock of 40 of which 12 and half a millimetre stay free.
    expect(fit('50', '40', '12')).toEqual([22.5, 48])
    expect(fit('50', '40')).toEqual([10, 48])
    expect(fit('50', '80')).toEqual([0, 48])
    expect(fit('50', '10', '9')).toBeUndefined()
    expect(parallelsThatFit(workedSheet())).toBeUndefined()
    expect(clearsJaws(nm('34'), nm('36'), nm('2'))).toBe(true)
    expect(clearsJaws(nm('34.001'), nm('36'), nm('2'))).toBe(false)
  })
})
