import type { Gauge } from '@pine/core/sheet'
import {
  correctedGauge,
  gaugeDraft,
  gaugeOf,
  newGauge,
  type GaugeDraft,
} from '@/areas/shop/gauge-draft'

const declared = (changes: Partial<GaugeDraft>) =>
  gaugeOf({ ...newGauge, size: ' 50.000 ', ...changes })

test('a gauge without a name is called by its size and its kind', () => {
  expect(declared({})).toEqual({
    made: {
      kind: 'height-setter',
      name: '50.000 mm height setter',
      size: { text: '50.000', unit: 'mm' },
    },
  })
  expect(declared({ name: ' the blue one ', unit: 'in' })).toMatchObject({
    made: { name: 'the blue one', size: { text: '50.000', unit: 'in' } },
  })
})

test('a size that nobody measured says so, until somebody does', () => {
  const rough = declared({ known: 'roughly' })
  expect(rough).toMatchObject({ made: { sizeRough: true } })
  const gauge = { id: 'plate', ...(rough as { made: Omit<Gauge, 'id'> }).made }
  const draft = gaugeDraft(gauge)
  expect(draft.known).toBe('roughly')
  const measured = correctedGauge(gauge, { ...draft, known: 'measured', reason: 'measured' })
  expect((measured as { made: { gauge: Gauge } }).made.gauge.sizeRough).toBeUndefined()
})

test('only a plate has a wall, and only what turns a speed', () => {
  const typed = { wall: '6.3', maxSpeed: '1000' }
  expect(declared({ kind: 'plate', ...typed })).toMatchObject({
    made: { wall: { text: '6.3', unit: 'mm' } },
  })
  expect(declared({ kind: 'plate', ...typed })).not.toHaveProperty('made.maxSpeed')
  expect(declared({ kind: 'edge-finder', ...typed })).toMatchObject({ made: { maxSpeed: 1000 } })
  expect(declared({ kind: 'edge-finder', ...typed })).not.toHaveProperty('made.wall')
  expect(declared({ kind: 'plate' })).not.toHaveProperty('made.wall')
  expect(declared({ kind: 'wobbler' })).not.toHaveProperty('made.maxSpeed')
})

test.each([
  [{ size: '' }, ['size']],
  [{ size: '0' }, ['size']],
  [{ size: '-10' }, ['size']],
  [{ kind: 'plate', wall: 'thin' }, ['wall']],
  [{ kind: 'plate', size: 'x', wall: '-1' }, ['size', 'wall']],
] satisfies [Partial<GaugeDraft>, string[]][])('%j is told at %j', (changes, wrong) => {
  const outcome = declared(changes)
  if (!('problems' in outcome)) throw new Error('nothing was wrong')
  expect(Object.keys(outcome.problems)).toEqual(wrong)
})

test('a sensor has styli, each with its name and the length of the sensor with it; nothing else has', () => {
  const typed = {
    styli: [
      [' 30 mm ', ' 160.000 '],
      ['', ''],
      ['50 mm', '180'],
    ] as const,
  }
  const styli = [
    { name: '30 mm', length: { text: '160.000', unit: 'mm' } },
    { name: '50 mm', length: { text: '180', unit: 'mm' } },
  ] as const
  expect(declared({ kind: 'dial-sensor', ...typed })).toMatchObject({ made: { styli } })
  expect(declared({ kind: 'probe', ...typed })).toMatchObject({ made: { styli } })
  expect(declared({ kind: 'pin', ...typed })).not.toHaveProperty('made.styli')
  expect(declared({ kind: 'probe' })).not.toHaveProperty('made.styli')
  const wrong = {
    styli: [
      ['', '160'],
      ['long', '-3'],
    ] as const,
  }
  expect(declared({ kind: 'probe', ...wrong })).toEqual({
    problems: {
      'styli.0.0': 'Call it what is marked on it.',
      'styli.1.1': expect.stringContaining('below zero') as string,
    },
  })
  const sensor = {
    id: 's',
    kind: 'probe',
    name: 'P',
    size: { text: '3', unit: 'mm' },
    styli,
  } as const
  expect(gaugeDraft(sensor).styli.slice(0, 3)).toEqual([
    ['30 mm', '160.000'],
    ['50 mm', '180'],
    ['', ''],
  ])
  expect(correctedGauge(sensor, { ...gaugeDraft(sensor), reason: 'new stylus' })).toMatchObject({
    made: { gauge: { styli } },
  })
  // More than the form of a new one has rows for: none is cut off.
  const six = [1, 2, 3, 4, 5, 6].map((one) => ({ ...styli[0], name: `stylus ${one}` }))
  const many = { ...sensor, styli: six }
  expect(correctedGauge(many, { ...gaugeDraft(many), reason: 'why' })).toMatchObject({
    made: { gauge: { styli: six } },
  })
})

test('a tapered cutter has half an angle; nothing else has', () => {
  expect(declared({ kind: 'cutter', halfAngle: '30' })).toMatchObject({ made: { halfAngle: 30 } })
  expect(declared({ kind: 'cutter' })).not.toHaveProperty('made.halfAngle')
  expect(declared({ kind: 'pin', halfAngle: '30' })).not.toHaveProperty('made.halfAngle')
  for (const halfAngle of ['0', '90', 'x'])
    expect(declared({ kind: 'cutter', halfAngle })).toHaveProperty('problems.halfAngle')
})

test('a gauge is corrected with a reason; what the form does not ask stays', () => {
  const setter: Gauge = {
    id: 'setter',
    kind: 'height-setter',
    name: '50 mm setter',
    size: { text: '50.000', unit: 'mm' },
    uncertainty: { text: '0.002', unit: 'mm' },
  }
  const draft = { ...gaugeDraft(setter), size: '50.012' }
  expect(correctedGauge(setter, draft)).toMatchObject({ problems: { reason: expect.any(String) } })
  expect(correctedGauge(setter, { ...draft, reason: ' measured ' })).toEqual({
    made: { gauge: { ...setter, size: { text: '50.012', unit: 'mm' } }, reason: 'measured' },
  })
  expect(correctedGauge(setter, { ...draft, size: '', reason: 'x' })).toHaveProperty(
    'problems.size',
  )
  const finder: Gauge = { ...setter, kind: 'edge-finder', maxSpeed: 600 }
  expect(correctedGauge(finder, { ...gaugeDraft(finder), reason: 'x' })).toEqual({
    made: { gauge: finder, reason: 'x' },
  })
  const cleared = correctedGauge(finder, { ...gaugeDraft(finder), maxSpeed: '', reason: 'x' })
  expect(cleared).not.toHaveProperty('made.gauge.maxSpeed')
})

test('a block of a grade, and how sure a size is by its certificate', () => {
  const block = { ...newGauge, kind: 'gauge-block', size: '25', grade: '1' } as const
  expect(gaugeOf({ ...block, uncertainty: '0.0001' })).toEqual({
    made: {
      ...{ kind: 'gauge-block', name: '25 mm gauge block', size: { text: '25', unit: 'mm' } },
      ...{ grade: '1', uncertainty: { text: '0.0001', unit: 'mm' } },
    },
  })
  // What is no block has no grade, whatever was chosen before.
  expect(gaugeOf({ ...block, kind: 'ball' })).toHaveProperty('made.kind', 'ball')
  expect(gaugeOf({ ...block, kind: 'ball' })).not.toHaveProperty('made.grade')
  expect(gaugeOf({ ...block, uncertainty: '-1' })).toHaveProperty('problems.uncertainty')
})
