import { Recent } from '../src/store/rows/recent'

/** A database that counts how often it is asked, and answers when it is let. */
function slow() {
  const answers: ((value: string) => void)[] = []
  const ask = () => new Promise<string>((resolve) => answers.push(resolve))
  return { ask, answers }
}

test('all who ask within the moment share one question', async () => {
  const { ask, answers } = slow()
  const recent = new Recent<string>(60_000, 10)
  const both = [recent.get('mira', ask), recent.get('mira', ask)]
  const other = recent.get('jory', ask)
  expect(answers).toHaveLength(2)
  answers[0]?.('a lead')
  answers[1]?.('a setter')
  expect(await Promise.all(both)).toEqual(['a lead', 'a lead'])
  expect(await other).toBe('a setter')
  expect(await recent.get('mira', ask)).toBe('a lead')
})

test('what was asked while something was written is asked again afterwards', async () => {
  const { ask, answers } = slow()
  const recent = new Recent<string>(60_000, 10)
  let written: () => void = () => undefined
  const write = recent.after(new Promise<void>((resolve) => (written = resolve)))
  const meanwhile = recent.get('mira', ask)
  written()
  await write
  const after = recent.get('mira', ask)
  expect(answers).toHaveLength(2)
  answers[0]?.('a lead')
  answers[1]?.('gone')
  expect([await meanwhile, await after]).toEqual(['a lead', 'gone'])
  expect(await recent.get('mira', ask)).toBe('gone')
})

test('a write that failed drops what is known too, and is told as it failed', async () => {
  const recent = new Recent<string>(60_000, 10)
  await recent.get('mira', () => Promise.resolve('a lead'))
  await expect(recent.after(Promise.reject(new Error('no line')))).rejects.toThrow('no line')
  expect(await recent.get('mira', () => Promise.resolve('gone'))).toBe('gone')
})

test('a question that failed is nobody’s answer for longer', async () => {
  const recent = new Recent<string>(60_000, 10)
  await expect(recent.get('mira', () => Promise.reject(new Error('no line')))).rejects.toThrow()
  expect(await recent.get('mira', () => Promise.resolve('a lead'))).toBe('a lead')
})

test('after the moment it is asked anew, and no more keys are kept than that', async () => {
  const over = new Recent<string>(0, 10)
  await over.get('mira', () => Promise.resolve('a lead'))
  expect(await over.get('mira', () => Promise.resolve('gone'))).toBe('gone')
  const two = new Recent<number>(60_000, 2)
  for (const key of ['first', 'second', 'third']) await two.get(key, () => Promise.resolve(1))
  expect(await two.get('third', () => Promise.resolve(2))).toBe(1)
  expect(await two.get('first', () => Promise.resolve(2))).toBe(2)
})
