import { act, renderHook } from '@testing-library/react'
import { z } from 'zod'
import {
  ApiRefusal,
  ask,
  askedFailureWords,
  failureWords,
  fileFailureWords,
  Unreachable,
} from '@/data/server/api'
import { noteReached, useReached } from '@/data/server/connection'
import { applyLiveMessage } from '@/data/server/live'

// A device says “No connection” while nothing that it sends would be kept: without a network, without a server, or without the
// server's database.

const answer = (status: number, body: object) => ({
  ok: status < 400,
  status,
  json: async () => body,
})
const refusal = (code: string) => ({
  error: {
    ...{ code, place: '', message: 'No.', expected: 'a', received: 'b', remedy: 'c', problems: [] },
  },
})
const asked = (request: Promise<ReturnType<typeof answer>>) =>
  act(() => ask(request, z.object({ fine: z.boolean() })).catch((cause: unknown) => cause))

beforeEach(() => act(() => noteReached(true)))

test('no answer and a server without its database are no connection; any other answer is one', async () => {
  const { result } = renderHook(useReached)
  expect(await asked(Promise.reject(new TypeError('fetch failed')))).toBeInstanceOf(Unreachable)
  expect(result.current).toBe(false)
  expect(await asked(Promise.resolve(answer(200, { fine: true })))).toEqual({ fine: true })
  expect(result.current).toBe(true)
  expect(await asked(Promise.resolve(answer(503, refusal('database-away'))))).toBeInstanceOf(
    ApiRefusal,
  )
  expect(result.current).toBe(false)
  for (const code of ['busy', 'not-signed-in', 'input-wrong']) {
    act(() => noteReached(false))
    await asked(Promise.resolve(answer(code === 'busy' ? 503 : 401, refusal(code))))
    expect([code, result.current]).toEqual([code, true])
  }
})

test('whoever enters nothing is told by the live line that the database is away, and that it is back', async () => {
  const { result } = renderHook(useReached)
  await act(() => applyLiveMessage({ tells: 'away' }))
  expect(result.current).toBe(false)
  await act(() => applyLiveMessage({ tells: 'gap' }))
  expect(result.current).toBe(true)
})

test('only what was typed is said to be kept', () => {
  const away = new Unreachable('The server does not answer.')
  expect([failureWords, askedFailureWords, fileFailureWords].map((words) => words(away))).toEqual([
    'The server does not answer. What you typed is kept here.',
    'The server does not answer. It is shown when the server answers again.',
    'The server does not answer. Try again when it does.',
  ])
  // A refusal says itself what to do, whatever was asked.
  const problem = { code: '', place: '', message: 'No.', expected: '', received: '', remedy: 'Go.' }
  const refused = new ApiRefusal(422, problem, [problem])
  for (const words of [failureWords, askedFailureWords, fileFailureWords])
    expect(words(refused)).toBe('No. Go.')
})
