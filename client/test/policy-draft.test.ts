import { changedPolicy, policyDraft, policyWords } from '@/areas/shop/policy-draft'
import { example } from './run/set-ups'

const { machine } = example('gauge-line').document.sheet
const strict = { ...machine, policy: { secondLook: true, maxAgeDays: 7 } }

test('what is asked is shown as it is, and changed', () => {
  expect(policyDraft(strict)).toEqual({
    secondLook: 'yes',
    proves: 'all',
    days: '7',
    grip: '',
    checks: '',
    reason: '',
  })
  expect(policyDraft(machine)).toEqual({
    secondLook: 'no',
    proves: 'all',
    days: '',
    grip: '',
    checks: '',
    reason: '',
  })
  expect(
    changedPolicy(machine, {
      ...policyDraft(machine),
      secondLook: 'yes',
      days: '3',
    }),
  ).toEqual({
    made: {
      machine: { ...machine, policy: { secondLook: true, maxAgeDays: 3 } },
      reason: undefined,
    },
  })
})

test('less is asked only with a reason', () => {
  const less = { ...policyDraft(strict), secondLook: 'no', reason: ' ' } as const
  expect(changedPolicy(strict, less)).toMatchObject({ problems: { reason: expect.any(String) } })
  expect(changedPolicy(strict, { ...less, reason: ' one shift only ' })).toMatchObject({
    made: { machine: { policy: { maxAgeDays: 7 } }, reason: 'one shift only' },
  })
  const fewer = { ...policyDraft(machine), proves: 'riskiest' } as const
  expect(changedPolicy(machine, fewer)).toMatchObject({ problems: { reason: expect.any(String) } })
  expect(changedPolicy(machine, { ...fewer, reason: 'twelve tools a day' })).toMatchObject({
    made: { machine: { policy: { proves: 'riskiest' } } },
  })
})

test('days are days', () => {
  expect(changedPolicy(machine, { ...policyDraft(machine), days: '0' })).toHaveProperty(
    'problems.days',
  )
})

test('in words', () => {
  expect(policyWords(strict)).toBe(
    'another person looks before a part is cut · readings hold for 7 days',
  )
  expect(policyWords({ ...machine, policy: { proves: 'riskiest' } })).toBe(
    'the riskiest tools are proven',
  )
  expect(policyWords(machine)).toBeUndefined()
})

test('the grip that a shop asks for, in millimetres or with its own unit', () => {
  const asked = (grip: string) => changedPolicy(machine, { ...policyDraft(machine), grip })
  expect(asked(' 5 ')).toMatchObject({
    made: { machine: { policy: { leastGrip: { text: '5', unit: 'mm' } } } },
  })
  expect(asked('0')).toHaveProperty('problems.grip')
  const inches = { ...machine, policy: { leastGrip: { text: '0.1', unit: 'in' as const } } }
  expect(policyDraft(inches).grip).toBe('0.1in')
  expect(policyWords(inches)).toBe('jaws hold at least 0.1 in')
  // Less than before asks why.
  expect(changedPolicy(inches, { ...policyDraft(inches), grip: '2' })).toHaveProperty(
    'problems.reason',
  )
  expect(changedPolicy(inches, policyDraft(inches))).toHaveProperty('made')
})

test('how many lengths that are taken over are touched again', () => {
  const asked = (checks: string) => changedPolicy(machine, { ...policyDraft(machine), checks })
  expect(asked('4')).toMatchObject({ made: { machine: { policy: { keptChecks: 4 } } } })
  expect(asked('0')).toHaveProperty('problems.checks')
  // Two are usual: one is less than that, and asks why.
  expect(asked('1')).toHaveProperty('problems.reason')
  const four = { ...machine, policy: { keptChecks: 4 } }
  expect(policyDraft(four).checks).toBe('4')
  expect(policyWords(four)).toBe('4 of the reused lengths touched again')
  expect(changedPolicy(four, { ...policyDraft(four), checks: '' })).toHaveProperty(
    'problems.reason',
  )
})
