import { nextStep, stationTrust, stepsOf } from '../src/plan'
import { solve } from '../src/solve'
import { mm, noseTouch, readingOf, tipTouch, workedDocument, workedSheet } from './worked-example'

const keys = (document: ReturnType<typeof workedDocument>) =>
  stepsOf(document, solve(document), false).map(({ step }) => step.key)

test('the order of work, from home to release', () => {
  expect(keys(workedDocument({ school: 'gauge-line' }))).toEqual([
    'home',
    'clean',
    'sheet',
    'gauges',
    'nose-on-plane',
    'tip-on-plane:T1',
    'holding',
    'face:G54:left',
    'face:G54:front',
    'carried-difference:G54',
    'key-in:H1',
    'key-in:G54.X',
    'key-in:G54.Y',
    'key-in:G54.Z',
    'prove:G54:T1',
    'air-cut',
    'first-part',
    'record',
  ])
})

test('the setting plane asks for no nose touch, unless Z is found by the nose', () => {
  expect(keys(workedDocument())).not.toContain('nose-on-plane')
  const byNose = workedDocument({
    offsets: [{ ...workedSheet().offsets[0]!, Z: { by: 'nose-on-part', facing: mm('0') } }],
  })
  expect(keys(byNose)).toEqual(expect.arrayContaining(['nose-on-plane', 'nose-on-part:G54']))
})

test('the next step is the first that is not done, and stations carry their least certain mark', () => {
  const document = workedDocument({ school: 'gauge-line' }, [noseTouch(), tipTouch()])
  const states = stepsOf(document, solve(document), false)
  expect(nextStep(states)?.step.key).toBe('home')
  expect(stationTrust(states, 'lengths')).toBe('read')
  expect(stationTrust(states, 'plan')).toBe('not-read')
  expect(
    stationTrust(stepsOf(workedDocument(), solve(workedDocument()), false), 'reference'),
  ).toBeUndefined()
})

test('each tool is proven once and each work offset once, in as few moves as that takes', () => {
  const [first] = workedSheet().offsets
  const tools = [1, 2, 3].map((number) => ({ number, name: `T${number}`, lengthRegister: number }))
  const proofs = (changes: Parameters<typeof workedDocument>[0]) =>
    keys(workedDocument(changes)).filter((key) => key.startsWith('prove'))
  expect(proofs({ tools, offsets: [first!, { ...first!, row: 'G55' }] })).toEqual([
    'prove:G54:T1',
    'prove:G55:T2',
    'prove:G54:T3',
  ])
  // A sensor of known length was not touched: it proves nothing.
  const sensor = { number: 9, name: 'sensor', lengthRegister: 9, length: mm('160') }
  expect(
    proofs({ tools: [tools[0]!, sensor], offsets: [first!, { ...first!, row: 'G55' }] }),
  ).toEqual(['prove:G54:T1', 'prove:G55:T1'])
})

test('touched on the part and counted from the nose: the nose touches it once, for lengths and Z alike', () => {
  const [first] = workedSheet().offsets
  const onPart = {
    school: 'gauge-line',
    tools: [
      { number: 1, name: 'mill', lengthRegister: 1 },
      { number: 2, name: 'drill', lengthRegister: 2 },
      { number: 3, name: 'sensor', lengthRegister: 3, length: mm('160') },
    ],
    offsets: [{ ...first!, Z: { by: 'part-top', facing: mm('0.5') } }],
  } as const
  const asked = keys(workedDocument(onPart, []))
  // The part is held first; the sensor's length is known and nothing else needs it.
  expect(asked.slice(asked.indexOf('holding'), asked.indexOf('key-in:H1'))).toEqual([
    'holding',
    'nose-on-part:G54',
    'tip-on-part:G54:T1',
    'tip-on-part:G54:T2',
    'face:G54:left',
    'face:G54:front',
  ])
  // A later part by the nose asks for it there, and not for the first one again.
  const two = {
    ...onPart,
    offsets: [
      ...onPart.offsets,
      { ...first!, row: 'G55', Z: { by: 'nose-on-part', facing: mm('0') } },
    ],
  } as const
  expect(keys(workedDocument(two, [])).filter((key) => key.startsWith('nose'))).toEqual([
    'nose-on-part:G54',
    'nose-on-part:G55',
  ])
  const onTop = (tool: number, read: string) =>
    readingOf<'tip-on-part'>({
      of: 'tip-on-part',
      row: 'G54',
      tool,
      read: mm(read),
      with: ['paper'],
    })
  const nose = readingOf<'nose-on-part'>({
    of: 'nose-on-part',
    row: 'G54',
    read: mm('-379.910'),
    with: ['paper'],
  })
  const { registers } = solve(
    workedDocument(onPart, [nose, onTop(1, '-299.910'), onTop(2, '-284.910')]),
  )
  const value = (address: string) => registers.find((one) => one.address === address)?.value
  // R = −380: lengths of 80 and 95, zero 0.5 below the top.
  expect([value('H1'), value('H2'), value('H3'), value('G54.Z')]).toEqual([
    80_000_000, 95_000_000, 160_000_000, -380_500_000,
  ])
})
