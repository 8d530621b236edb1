import { LONGEST_PROGRAM } from '@pine/contract'
import { KeptProgramText, keepProgramText } from '@/data/program/program-text'

const HASH = 'a'.repeat(64)
const path = `/api/programs/${HASH}/text`
const fetched = jest.fn<Promise<Partial<Response>>, [string, RequestInit?]>()

jest.mock('@/data/program/program-worker', () => ({
  newProgramWorker: () => ({ postMessage: jest.fn() }),
  WorkerLines: class {
    ask = (from: number, to: number) => Promise.resolve([`${from} to ${to}`])
    close = jest.fn()
  },
}))

beforeEach(() => {
  fetched.mockReset()
  globalThis.fetch = fetched as unknown as typeof fetch
})

const textOf = (size: number) => ({ size }) as Blob

test('a text is put under its hash; a refusal, or no network, is not the person’s business', async () => {
  fetched.mockResolvedValueOnce({ ok: true, json: () => Promise.resolve({ sha256: HASH }) })
  const text = textOf(10)
  await keepProgramText(text, HASH)
  expect(fetched).toHaveBeenCalledWith(path, { method: 'PUT', body: text })
  fetched.mockRejectedValueOnce(new Error('no network'))
  await expect(keepProgramText(text, HASH)).resolves.toBeUndefined()
})

test('a text as long as may be is sent, a longer one is not', async () => {
  fetched.mockResolvedValue({ ok: true, json: () => Promise.resolve({ sha256: HASH }) })
  await keepProgramText(textOf(LONGEST_PROGRAM), HASH)
  expect(fetched).toHaveBeenCalledTimes(1)
  await keepProgramText(textOf(LONGEST_PROGRAM + 1), HASH)
  expect(fetched).toHaveBeenCalledTimes(1)
})

test('a kept text is fetched once, when its lines are first asked for, and again after a failure', async () => {
  const kept = new KeptProgramText(HASH, {} as never)
  expect(fetched).not.toHaveBeenCalled()
  fetched.mockResolvedValueOnce({ ok: false, status: 404 })
  await expect(kept.lines(1, 2)).rejects.toThrow('no text: 404')
  fetched.mockResolvedValue({ ok: true, blob: () => Promise.resolve(new Blob(['G21'])) })
  expect(await kept.lines(3, 4)).toEqual(['3 to 4'])
  expect(await kept.lines(5, 6)).toEqual(['5 to 6'])
  expect(fetched.mock.calls).toEqual([[path], [path]])
  kept.close()
  expect(await kept.lines(7, 8)).toEqual(['7 to 8'])
  expect(fetched).toHaveBeenCalledTimes(3)
})
