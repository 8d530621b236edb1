import { valueOf } from '../src/chain'
import { type Reading } from '../src/facts'
import { formatLength, toNanometres } from '../src/length'
import { convertTable, type OffsetTable } from '../src/schools/convert'
import { solve, type Solution } from '../src/solve'
import { modelSetup } from './physical-model'
import { Chance, trials } from './random'
import { fact, mm, workedDocument, workedSheet } from './worked-example'

const SETUPS = 300

const registerOf = (solution: Solution, address: string): number => {
  const register = solution.registers.find((one) => one.address === address)
  if (register?.value === undefined) throw new Error(`${address} was not solved`)
  return register.value
}

const tableOf = (solution: Solution): OffsetTable => ({
  lengths: new Map(
    solution.registers.flatMap(({ kind, address, value }) =>
      kind === 'length' && value !== undefined ? [[address, value] as const] : [],
    ),
  ),
  offsets: new Map(
    solution.registers.flatMap(({ address, value }) =>
      address.endsWith('.Z') && value !== undefined ? [[address, value] as const] : [],
    ),
  ),
})

/** Runs a property on many seeds and names the seed of the first that fails. */
function forSeeds(count: number, property: (chance: Chance) => void): void {
  for (let seed = 1; seed <= trials(count); seed += 1) {
    try {
      property(new Chance(seed))
    } catch (cause) {
      throw new Error(`seed ${seed}: ${cause instanceof Error ? cause.message : String(cause)}`)
    }
  }
}

/** Compares without Jest's matcher, which would take most of the time of 10,000 set-ups. */
function same(what: string, got: number, expected: number): void {
  if (got !== expected) throw new Error(`${what} is ${got}, expected ${expected}`)
}

test(`in ${SETUPS} random worlds every school puts every tip on part zero, to the nanometre`, () => {
  forSeeds(SETUPS, (chance) => {
    const { world, document } = modelSetup(chance)
    const solution = solve(document)
    if (solution.problems.length > 0) throw new Error(JSON.stringify(solution.problems))
    for (const [index, { row }] of document.sheet.offsets.entries()) {
      const zero = world.tops[index]! - world.facing[index]!
      for (const [tool, length] of world.lengths.entries()) {
        // The quill holds the tip lower by what it is out more while running: the machine stands that much higher.
        const stands =
          world.external + registerOf(solution, `${row}.Z`) + registerOf(solution, `H${tool + 1}`)
        const out =
          document.sheet.offsets[index]!.Z.by === 'fixture-difference'
            ? document.sheet.offsets[0]!.Z.quill
            : document.sheet.offsets[index]!.Z.quill
        same(
          `${document.sheet.school}, ${row} with T${tool + 1}`,
          stands,
          zero + length + (out ? world.quill.running - world.quill.measured : 0),
        )
      }
      same(
        `${row}.X`,
        registerOf(solution, `${row}.X`),
        (world.faces.left + world.faces.right) / 2 - 7_000_000,
      )
      same(`${row}.Y`, registerOf(solution, `${row}.Y`), world.faces.front + 40_000_000)
    }
    for (const size of solution.sizes)
      same('implied size', size.implied, world.faces.right - world.faces.left)
  })
})

test('a document in inches of the same readings gives the same registers', () => {
  for (let seed = 1; seed <= trials(100); seed += 1) {
    const inMm = solve(modelSetup(new Chance(seed), 'mm').document)
    const inInches = solve(modelSetup(new Chance(seed), 'in').document)
    expect(inInches.registers.map(({ address, value }) => [address, value])).toEqual(
      inMm.registers.map(({ address, value }) => [address, value]),
    )
  }
})

test('a table converted to another school keeps every sum, and back is the table itself', () => {
  forSeeds(300, (chance) => {
    const first = solve(modelSetup(chance).document)
    const other = solve(modelSetup(chance).document)
    const references = [first.heights.reference, other.heights.reference]
    const [from, to] = references.map((reference) => reference && valueOf(reference))
    if (from === undefined || to === undefined) throw new Error('a school has no reference')
    const table = tableOf(first)
    const converted = convertTable(table, from, to)
    for (const [address, length] of table.lengths)
      for (const [row, offset] of table.offsets)
        same(
          `${address} + ${row}`,
          converted.lengths.get(address)! + converted.offsets.get(row)!,
          length + offset,
        )
    same('shift', [...converted.lengths.values()][0]! - [...table.lengths.values()][0]!, from - to)
    const back = convertTable(converted, to, from)
    for (const [address, length] of table.lengths) same(address, back.lengths.get(address)!, length)
  })
})

// The worked case of docs/domain.md, “The relation and the schools”: nose to table 500, part 120 high, block 150 high, tool 80, master 95.
test.each([
  ['part-top', '-300.000', '0.000'],
  ['setting-plane', '-270.000', '-30.000'],
  ['gauge-line', '80.000', '-380.000'],
  ['master-tool', '-15.000', '-285.000'],
] as const)('worked case, %s: H %s and Z %s', (school, length, offset) => {
  const touch = (details: object, read: string) =>
    ({ ...details, ...fact(), read: mm(read), with: [] }) as unknown as Reading
  const Z = school === 'part-top' ? 'part-top' : 'carried-difference'
  const document = workedDocument(
    {
      school,
      reference: { masterTool: 2 },
      tools: [
        { number: 1, name: 'tool', lengthRegister: 1 },
        { number: 2, name: 'master', lengthRegister: 2 },
      ],
      offsets: [{ ...workedSheet().offsets[0]!, Z: { by: Z, facing: mm('0') } }],
    },
    [
      touch({ of: 'nose-on-plane' }, '-350'),
      touch({ of: 'tip-on-plane', tool: 1 }, '-270'),
      touch({ of: 'tip-on-plane', tool: 2 }, '-255'),
      touch({ of: 'tip-on-part', tool: 1, row: 'G54' }, '-300'),
      touch({ of: 'carried-difference', row: 'G54', zeroedOn: 'plane', withOnPlane: [] }, '-30'),
    ],
  )
  const solution = solve(document)
  const shown = (address: string) =>
    formatLength(toNanometres(registerOf(solution, address)), 'mm', 3)
  expect([shown('H1'), shown('G54.Z')]).toEqual([length, offset])
})
