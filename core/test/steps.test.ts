import { nextStep, stationTrust, stepsOf } from '../src/plan'
import { solve } from '../src/solve'
import { mm, noseTouch, tipTouch, workedDocument, workedSheet } from './worked-example'

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
