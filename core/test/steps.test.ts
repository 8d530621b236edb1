import { nextStep, solve, stationTrust, stepsOf } from '../src'
import { fact, mm, noseTouch, tipTouch, workedDocument, workedSheet } from './worked-example'

const keys = (document: ReturnType<typeof workedDocument>) =>
  stepsOf(document, solve(document), false).map(({ step }) => step.key)

test('the order of work: plane, lengths, X and Y, Z, key-in, record', () => {
  expect(keys(workedDocument({ school: 'gauge-line' }))).toEqual([
    'sheet',
    'nose-on-plane',
    'tip-on-plane:T1',
    'face:G54:left',
    'face:G54:front',
    'carried-difference:G54',
    'key-in:H1',
    'key-in:G54.X',
    'key-in:G54.Y',
    'key-in:G54.Z',
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
  expect(nextStep(states)?.step.key).toBe('face:G54:left')
  expect(stationTrust(states, 'lengths')).toBe('read')
  expect(stationTrust(states, 'plan')).toBe('not-read')
  expect(
    stationTrust(stepsOf(workedDocument(), solve(workedDocument()), false), 'reference'),
  ).toBeUndefined()
})

test('nothing is left once every register is read back and the set-up is recorded', () => {
  const document = workedDocument()
  const readBacks = solve(document).registers.map(({ address, keyIn }) => ({
    ...fact(),
    address,
    moment: 'after' as const,
    shown: mm(keyIn!.after),
  }))
  const done = { ...document, readBacks }
  expect(nextStep(stepsOf(done, solve(done), false))?.step.key).toBe('record')
  expect(nextStep(stepsOf(done, solve(done), true))).toBeUndefined()
})
