import { readLength } from '@pine/core/length'
import { activeLift } from '@pine/core/proof'
import { airCutView } from '@/areas/run/prove/air-cut-view'
import {
  leftUnproven,
  proofByEye,
  proofDraft,
  proofDraftVerdict,
  proofThatPasses,
  proofView,
  stopWords,
  verdictView,
} from '@/areas/run/prove/proof-view'
import { spindleSeen, stillToSay } from '@/areas/run/prove/spindle-seen'
import { releaseView } from '@/areas/run/release/release-view'
import { standing, type LoadedSetup } from '@/data/setup/standing'
import { after, example, mm, registerAt, NOW } from './set-ups'

const G54T1 = { row: 'G54', tool: 1 } as const
/** Keyed and read back, not proven yet. */
const keyed = example('whole-run', 21)

const nm = (text: string) => {
  const read = readLength(mm(text))
  if (!read.ok) throw new Error(text)
  return read.value.nm
}

describe('a proof', () => {
  test('sends the tip above zero by what is at hand: the move, then what was seen', () => {
    const view = proofView(keyed, G54T1, {}, false)
    // H1 −270 and Z −30, 50 above: machine Z −250.
    expect(view).toMatchObject({
      shows: 'move',
      heading: 'Send T1 over zero, 50.000 mm above.',
      clearance: mm('50.000'),
      ends: expect.stringContaining('machine Z −250.000 mm'),
      passes: 'T1 is in and active; 50.000 mm just passes',
      // From the top of the travel, before anything moves.
      before: {
        from: 'From machine Z 0.000, before it moves, distance to go in Z must read',
        must: '−250.000 mm',
      },
      block: '50.000 mm',
      move: { clearance: nm('50') },
    })
    expect(view?.blocks.join(' ')).toMatch(/G54.*G43.*H1.*Z50/s)
    expect(proofView(keyed, G54T1, { there: true }, false)?.shows).toBe('gap')
  })

  test('says why this tool is proven, where the machine’s policy lets others go', () => {
    expect(proofView(keyed, G54T1, {}, false)?.why).toBeUndefined()
    const { machine } = keyed.document.sheet
    const riskiest = example('whole-run', 21, {
      machine: { ...machine, policy: { proves: 'riskiest' } },
    })
    expect(proofView(riskiest, G54T1, {}, false)?.why).toBe(
      'Proven because it is the longest, and it was never measured in its holder before.',
    )
  })

  test('that ends as it should is one press: over zero, and the block that it was sent above passes', () => {
    const said = proofThatPasses(keyed, G54T1, mm('50.000'))
    expect(said.body).toEqual({
      row: 'G54',
      tool: 1,
      clearance: mm('50.000'),
      gap: mm('50.000'),
      overZero: true,
      spindle: { holds: 1, controlSays: 1 },
    })
    expect(proofDraftVerdict(keyed, said)?.right).toBe(true)
  })

  test('without a block at hand, by one of the usual height', () => {
    const none = example('part-top')
    const tool = none.document.sheet.tools[0]?.number ?? 0
    expect(proofView(none, { row: 'G54', tool }, {}, false)?.heights).toEqual([
      { value: expect.stringMatching(/^(25\.000|1\.0000)$/), label: expect.any(String) },
      { value: 'own', label: 'another height' },
    ])
  })

  test('at a height of one’s own, as soon as it is one; by eye it proves no number, and says so', () => {
    const own = (text: string) =>
      proofView(keyed, G54T1, { clearance: 'own', own: text }, false)?.clearance
    expect(own('30.5')).toEqual(mm('30.5'))
    expect(own('-30')).toEqual(mm('50.000'))
    const seen = after(keyed, proofByEye(keyed, G54T1, mm('50.000')))
    const verdict = seen.solution.proofs.at(-1)!
    expect(verdictView(seen, verdict)).toMatchObject({
      sentence: 'Seen, not proven.',
      by: 'Mira Toller by eye, 50.000 mm above',
    })
    expect(registerAt(seen, 'H1').state).toBe('keyed')
    expect(releaseView(seen).accepted).toContain(
      'G54 with T1 seen by eye, not proven (Mira Toller)',
    )
  })

  test('a length is spoken of where the control keeps one', () => {
    expect(proofView(keyed, G54T1, {}, false)?.caution).toContain('Without G43')
    const router = proofView(example('tool-by-tool'), G54T1, {}, false)
    expect(router?.caution).toMatch(/^Single block/)
    expect(router?.caution).not.toContain('G43')
  })

  test('is whole once the gap and over zero are said; the stop counts only with both numbers', () => {
    const seen = {
      position: undefined,
      distanceToGo: undefined,
      gap: mm('50'),
      overZero: 'yes',
      spindle: { holds: 1, controlSays: 1 },
    } as const
    expect(proofDraft(G54T1, mm('50.000'), { ...seen, gap: undefined })).toBeUndefined()
    expect(proofDraft(G54T1, mm('50.000'), { ...seen, overZero: undefined })).toBeUndefined()
    expect(proofDraft(G54T1, mm('50.000'), { ...seen, spindle: undefined })).toBeUndefined()
    expect(proofDraft(G54T1, mm('50.000'), { ...seen, position: mm('80') })?.body).toEqual({
      row: 'G54',
      tool: 1,
      clearance: mm('50.000'),
      gap: mm('50'),
      overZero: true,
      spindle: { holds: 1, controlSays: 1 },
    })
    const stop = { position: mm('80'), distanceToGo: mm('-30') }
    expect(
      proofDraft(G54T1, mm('50.000'), { ...seen, ...stop, overZero: 'no' })?.body,
    ).toMatchObject({ overZero: false, stop })
  })

  test('another tool in, or another length active: what it would do is said before it moves, and it proves nothing', () => {
    // T1 is 80 mm long by the example; another one of 120 mm would end 40 mm lower.
    const two = keyed.document.sheet.tools[0]!
    const both = example('whole-run', 21, {
      tools: [two, { ...two, number: 2, lengthRegister: 2 }],
    })
    const tip = { of: 'tip-on-plane', tool: 2, read: mm('-180.000'), with: ['setter'] } as const
    const setup = after(both, { kind: 'reading', body: tip })
    const say = (holds: string, controlSays?: string) =>
      proofView(setup, G54T1, { holds, ...(controlSays && { controlSays }) }, false)?.spindleElse
    expect(say('1', '1')).toBeUndefined()
    expect(say('1')).toBeUndefined()
    expect(say('2', '1')).toBe(
      'T2 is in the spindle, not T1: this move proves nothing of T1. The tip ends 40.000 mm lower: it crashes.',
    )
    expect(say('1', '2')).toBe(
      'The length of T2 is active, not that of T1. The tip ends 40.000 mm higher.',
    )
    expect(say('1', 'none')).toBe('No length is active, not that of T1.')
    expect(say('none', '1')).toBe(
      'No tool is in the spindle, not T1: this move proves nothing of T1.',
    )
    const seen = {
      position: undefined,
      distanceToGo: undefined,
      gap: mm('50'),
      overZero: 'yes',
    } as const
    const said = (spindle: { holds: number | null; controlSays: number | null }) =>
      proofDraftVerdict(setup, proofDraft(G54T1, mm('50.000'), { ...seen, spindle })!)
    expect(said({ holds: 1, controlSays: 1 })?.right).toBe(true)
    expect(said({ holds: 2, controlSays: 2 })).toMatchObject({ right: false })
    expect(said({ holds: 1, controlSays: 2 })).toMatchObject({ right: false })
    // A control that keeps no lengths has none active, and nothing is asked of it.
    const router = example('tool-by-tool')
    const own = router.document.sheet.tools[0]!.number
    expect(spindleSeen(router, { holds: String(own) })).toEqual({ holds: own, controlSays: null })
    expect(spindleSeen(setup, { holds: '1' })).toBeUndefined()
    expect(stillToSay(setup, { overZero: 'yes', holds: '1' })).toContain('which the control says')
    expect(stillToSay(setup, { holds: '1', controlSays: '1' })).toContain('over X0 Y0')
    expect(stillToSay(setup, { overZero: 'no', holds: '1', controlSays: '1' })).toBeUndefined()
  })

  test('before the end of the move: position and distance to go add up to the block, else another offset or length is active', () => {
    const at = (position: string, distanceToGo: string) =>
      stopWords(keyed, mm('50.000'), { position: mm(position), distanceToGo: mm(distanceToGo) })
    expect(at('120.5', '-70.5')).toBeUndefined()
    expect(at('120.5', '-90.5')).toContain('add up to 30.000, not to 50.000 mm')
    expect(
      stopWords(keyed, mm('50'), { position: mm('120.5'), distanceToGo: undefined }),
    ).toBeUndefined()
  })

  test('says at once what the gap means, and keeps a failed one in front until it is made again', () => {
    const say = (gap: string, overZero: 'yes' | 'no' = 'yes') => {
      const said = proofDraft(G54T1, mm('50.000'), {
        position: undefined,
        distanceToGo: undefined,
        gap: mm(gap),
        overZero,
        spindle: { holds: 1, controlSays: 1 },
      })
      if (said === undefined) throw new Error('the proof is whole')
      return said
    }
    expect(proofDraftVerdict(keyed, say('50'))?.right).toBe(true)
    expect(proofDraftVerdict(keyed, say('40'))).toMatchObject({
      right: false,
      words: expect.stringContaining('10'),
    })
    expect(proofDraftVerdict(keyed, say('50', 'no'))?.right).toBe(false)

    const failed = after(keyed, say('40'))
    const { shows, verdict } = proofView(failed, G54T1, { there: true }, false) ?? {}
    expect(shows).toBe('verdict')
    expect(proofView(failed, G54T1, { there: true }, true)?.shows).toBe('gap')
    if (verdict === undefined) throw new Error('it failed')
    const told = verdictView(failed, verdict)
    expect(told).toMatchObject({
      sentence: 'Do not cut yet.',
      by: 'Mira Toller: 40 mm passed where 50.000 mm was sent',
    })
    expect(told.suspects.map(({ name }) => name).sort()).toEqual(['G54 Z', 'H1'])
    expect(told.suspects.every(({ slips }) => slips.length <= 3)).toBe(true)

    const proven = after(keyed, say('50'))
    const right = proofView(proven, G54T1, {}, false)
    expect(right?.shows).toBe('verdict')
    expect(right?.verdict && verdictView(proven, right.verdict).sentence).toBe('Proven.')
    // Something moved since: it is asked for anew, not shown as it was.
    const moved = after(proven, { kind: 'event', body: { kind: 'tool-changed', tool: 1 } })
    expect(proofView(moved, G54T1, {}, false)?.shows).not.toBe('verdict')
  })

  test('left out, it is accepted for every register that it would have shown', () => {
    expect(leftUnproven(keyed, G54T1, 'proven by hand').map((said) => said.body)).toEqual(
      ['G54.X', 'G54.Y', 'G54.Z', 'H1'].map((address) => ({
        address,
        accepts: 'unproven',
        reason: 'proven by hand',
      })),
    )
  })
})

describe('a run in air', () => {
  const typed = {
    where: 'external-offset',
    lowest: undefined,
    margin: undefined,
  } as const
  const raise = (setup = keyed, changes: object = {}) => {
    const view = airCutView(setup, { ...typed, ...changes })
    if (view.shows !== 'raise') throw new Error(view.shows)
    return view
  }

  const both = { lowest: nm('-32.5'), margin: nm('10') }
  const rowOf = (setup: LoadedSetup, changes: object, begun?: 'in' | 'out') => {
    const view = airCutView(setup, { ...typed, ...changes }, begun)
    if (view.shows !== 'row') throw new Error(view.shows)
    return view.row.view
  }
  const seen = (setup: LoadedSetup, changes: object, begun: 'in' | 'out', shown: string) =>
    after(setup, ...rowOf(setup, changes, begun).beneath.facts(mm(shown)))

  test('is raised by what clears the lowest Z, and nothing before both numbers are there', () => {
    expect(raise()).toMatchObject({ raiseBy: '–', rows: [] })
    expect(airCutView(keyed, { ...typed, lowest: nm('-32.5') }, 'in').shows).toBe('raise')
    // 32.5 deep and 10 of air: 42.5.
    expect(raise(keyed, both)).toMatchObject({
      raiseBy: '42.500',
      into: 'the external offset Z',
      rows: ['external offset Z 0.000 → 42.500 mm'],
    })
    expect(raise(keyed, { ...both, where: 'lengths' }).rows).toEqual(['H1 −270.000 → −227.500 mm'])
    expect(raise(keyed, { ...both, where: 'work-offsets' }).rows).toEqual([
      'G54 Z −30.000 → 12.500 mm',
    ])
    // A control that subtracts lengths holds +270, and goes higher with less.
    const { machine } = keyed.document.sheet
    const control = { ...machine.control, lengthSign: 'subtracted' } as const
    const sheet = { ...keyed.document.sheet, machine: { ...machine, control } }
    const subtracting = after(standing({ ...keyed.document, sheet }, NOW), {
      kind: 'read-back',
      body: { address: 'H1', moment: 'after', shown: mm('270.000') },
    })
    expect(raise(subtracting, { ...both, where: 'lengths' }).rows).toEqual([
      'H1 270.000 → 227.500 mm',
    ])
  })

  test('the external offset: nothing is up before it shows so, and it is down again once it shows that', () => {
    expect(rowOf(keyed, both, 'in')).toMatchObject({
      name: 'Raise external offset Z',
      type: '42.500',
      key: { does: 'sets' },
    })
    // A turned sign would let everything down by as much.
    expect(rowOf(keyed, both, 'in').beneath.facts(mm('-42.5'))).toEqual([])
    const up = seen(keyed, both, 'in', '42.5')
    expect(up.document.lifts.slice(-1)).toMatchObject([
      { moves: 'in', where: 'external-offset', amount: mm('42.500'), shown: mm('42.5') },
    ])
    expect(airCutView(up, typed)).toMatchObject({ shows: 'raised' })
    expect(rowOf(up, typed, 'out')).toMatchObject({ type: '0.000', change: '42.500 → 0.000 mm' })
    expect(rowOf(up, typed, 'out').beneath.facts(mm('42.5'))).toEqual([])
    const down = seen(up, typed, 'out', '0.000')
    expect(airCutView(down, typed)).toMatchObject({ shows: 'done', text: 'ran clear, Mira Toller' })
  })

  test('lengths row by row: each read back, one that is wrong keyed again from what it shows', () => {
    const lengths = { ...both, where: 'lengths' } as const
    expect(rowOf(keyed, lengths, 'in')).toMatchObject({
      name: 'Raise H1',
      type: '−227.500',
      change: '−270.000 → −227.500 mm',
      beneath: { short: { way: 'sign-and-digits', sign: '-' } },
    })
    // It went down instead of up: seen, and the lift stays on this row.
    const wrong = seen(keyed, lengths, 'in', '-312.5')
    expect(activeLift(wrong.document)).toBeDefined()
    expect(rowOf(wrong, typed)).toMatchObject({
      change: '−312.500 → −227.500 mm',
      notes: [{ words: 'It shows −312.5 mm: key it again.', holds: 'conflict' }],
    })
    const up = after(wrong, ...rowOf(wrong, typed).beneath.facts(mm('-227.5')))
    expect(airCutView(up, typed).shows).toBe('raised')
    // Raised, it is what it was: still keyed, and proven by what proved it.
    expect(registerAt(up, 'H1').state).toBe(registerAt(keyed, 'H1').state)
    const down = seen(up, typed, 'out', '-270')
    expect(down.document.lifts.slice(-2).map(({ moves }) => moves)).toEqual(['in', 'out'])
    expect(airCutView(down, typed).shows).toBe('done')
  })

  test('on a control that adds, and on one that subtracts its lengths: what raises the tip there', () => {
    const lengths = { ...both, where: 'lengths' } as const
    const { machine } = keyed.document.sheet
    const on = (control: object, ...said: Parameters<typeof after>[1][]) =>
      after(
        example('whole-run', 6, {
          machine: { ...machine, control: { ...machine.control, ...control } },
        }),
        ...said,
      )
    const shows = (text: string) =>
      ({ kind: 'read-back', body: { address: 'H1', moment: 'after', shown: mm(text) } }) as const
    expect(rowOf(on({ lengthKey: 'add' }, shows('-270')), lengths, 'in')).toMatchObject({
      type: '42.500',
      key: { does: 'adds' },
      row: '−270.000 mm',
    })
    // It takes the stored length off: less of it is higher.
    expect(rowOf(on({ lengthSign: 'subtracted' }, shows('270')), lengths, 'in')).toMatchObject({
      type: '227.500',
      change: '270.000 → 227.500 mm',
    })
  })

  test('left out, it is told why', () => {
    const left = { kind: 'check-off', body: { of: 'air-cut', leftOut: 'seen last week' } } as const
    expect(airCutView(after(keyed, left), typed)).toMatchObject({
      text: 'left out: seen last week',
    })
  })
})
