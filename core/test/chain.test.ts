import fc from 'fast-check'
import { traceOf, valueOf } from '../src/chain'
import {
  chainOf,
  meanOfChains,
  scaleChain,
  subtractChains,
  sumChains,
  type Source,
} from '../src/chain/chain'
import { formatLength, readLength, toNanometres } from '../src/length'

function source(id: string, nm: number): Source {
  const length = readLength({ text: formatLength(toNanometres(nm), 'mm', 6), unit: 'mm' })
  if (!length.ok) throw new Error(length.problem.code)
  return { id, kind: 'reading', name: id, length: length.value }
}

const anyLength = fc.integer({ min: -3e9, max: 3e9 })

test('a gauge that enters twice with opposite signs cancels and leaves the trace', () => {
  const gauge = chainOf(source('gauge', 50_000_000), 'gauge-beneath')
  const tip = subtractChains(chainOf(source('tip', -220_000_000), 'tip-at-contact'), gauge)
  const nose = subtractChains(chainOf(source('nose', -300_000_000), 'nose-at-contact'), gauge)
  const length = subtractChains(tip, nose)
  expect(valueOf(length)).toBe(80_000_000)
  expect(traceOf(length).map(({ name }) => name)).toEqual(['tip', 'nose'])
})

test('sums are exact in nanometres and the trace adds up to the value', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(anyLength, fc.constantFrom(1, -1)), { minLength: 1, maxLength: 30 }),
      (parts) => {
        const chain = sumChains(
          ...parts.map(([nm, sign], index) =>
            scaleChain(chainOf(source(`s${index}`, nm), 'counter'), sign),
          ),
        )
        const exact = parts.reduce((sum, [nm, sign]) => sum + BigInt(nm) * BigInt(sign), 0n)
        const traced = traceOf(chain).reduce((sum, { contribution }) => sum + contribution, 0)
        return BigInt(valueOf(chain)) === exact && traced === valueOf(chain)
      },
    ),
  )
})

test('the mean of n equal readings is that reading, to the nanometre', () => {
  fc.assert(
    fc.property(anyLength, fc.integer({ min: 1, max: 12 }), (nm, n) => {
      const repeats = Array.from({ length: n }, (_, index) =>
        chainOf(source(`r${index}`, nm), 'axis-at-contact'),
      )
      return valueOf(meanOfChains(repeats)) === nm
    }),
  )
})

test('half an odd number of nanometres rounds away from zero', () => {
  expect(valueOf(scaleChain(chainOf(source('a', 3), 'counter'), 0.5))).toBe(2)
  expect(valueOf(scaleChain(chainOf(source('a', -3), 'counter'), 0.5))).toBe(-2)
})

test('a mean of nothing is a mistake of the caller', () => {
  expect(() => meanOfChains([])).toThrow('at least one chain')
})

test('a line of the trace says who read it and when; what nobody read says neither', () => {
  const read = { ...source('tip', 1), by: 'Mira Toller', at: '2026-03-02T08:00:00Z' }
  const chain = sumChains(chainOf(read, 'tip-at-contact'), chainOf(source('drawn', 2), 'facing'))
  const [line, drawn] = traceOf(chain)
  expect(line).toMatchObject({ by: 'Mira Toller', at: '2026-03-02T08:00:00Z' })
  expect(drawn).not.toHaveProperty('by')
  expect(drawn).not.toHaveProperty('at')
})
