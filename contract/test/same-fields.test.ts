import type { SameFields } from '../src/same-fields'

// What holds is held by the compiler: each line names what it is to find, and no other would compile.
test('a field that only one of two types has is named, also one that may be left out, at any depth and in any variant', () => {
  type Whole = {
    a: string
    list: { size: number; note?: string }[]
    of: { kind: 'x'; p?: 1 } | { kind: 'y'; p?: 1 }
  }
  const same: SameFields<Whole, Whole> = true
  const left: SameFields<{ a: string }, { a: string; b?: number }> = { onlyInOne: 'b' }
  const right: SameFields<{ a: string; b?: number }, { a: string }> = { onlyInOne: 'b' }
  const deep: SameFields<Whole, Omit<Whole, 'list'> & { list: { size: number }[] }> = {
    onlyInOne: 'list.note',
  }
  // The other variant has it: it is missed all the same.
  const variant: SameFields<
    Whole,
    Omit<Whole, 'of'> & { of: { kind: 'x' } | { kind: 'y'; p?: 1 } }
  > = { onlyInOne: 'of.x:p' }
  expect([same, left, right, deep, variant]).toHaveLength(5)
})
