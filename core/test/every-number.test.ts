import { checkDocument, type Reading, type SetupDocument } from '../src/facts'
import { stepsOf } from '../src/plan'
import { type Register } from '../src/registers'
import { SCHOOLS } from '../src/schools'
import { convertSolution, solve } from '../src/solve'
import { modelCase, forSeeds, type ModelCase } from './model/case'
import { ModelControl } from './model/control'
import { asFact, Machinist } from './model/machinist'
import { modelSheet } from './model/sheet'
import { nm, trueRegisters, type Axis } from './model/world'
import { Chance, trials } from './random'
import { fact, setupOf } from './worked-example'

// The net: random set-ups of an independent physical model (core/test/model). It knows what is really there and how a
// machinist, a screw and a control behave; it shares no arithmetic with core.

const seeded = (seed: number) => new Chance(seed)

/** A circle, a sweep and a turned corner are written to the nanometre and fitted; all else is exact. */
function tolerance({ sheet }: Pick<ModelCase, 'sheet'>, address: string): number {
  const plan = sheet.offsets.find(({ row }) => address === `${row}.X` || address === `${row}.Y`)
  if (plan === undefined) return 0.5
  return plan.X.by === 'circle' || plan.X.by === 'turned-corner' ? 1500 : 0.5
}

function compare(model: ModelCase, register: Register | undefined, address: string, is: number) {
  if (register?.value === undefined) throw new Error(`${address} has no answer`)
  const off = register.value - is
  if (Math.abs(off) > tolerance(model, address))
    throw new Error(`${address} is ${register.value}, off by ${off}`)
}

const described = ({ sheet }: ModelCase) =>
  `${sheet.school}, ${sheet.unit}, ${sheet.offsets.map(({ row, X, Y, Z }) => `${row} ${X.by}/${Y.by}/${Z.by}`).join(', ')}`

test('every register of every school and way puts the tip on program zero', () => {
  forSeeds(
    1200,
    (chance) => {
      const model = modelCase(chance)
      const problems = checkDocument(model.document)
      if (problems.length > 0) throw new Error(`refused: ${JSON.stringify(problems[0])}`)
      const solution = solve(model.document)
      if (solution.problems.length > 0)
        throw new Error(`problem: ${JSON.stringify(solution.problems[0])}`)
      const found = new Map(solution.registers.map((one) => [one.address as string, one] as const))
      for (const [address, is] of trueRegisters(model.world, model.sheet))
        try {
          compare(model, found.get(address), address, is)
        } catch (cause) {
          throw new Error(`${(cause as Error).message} (${described(model)})`)
        }
    },
    seeded,
  )
})

test('whoever reads what the steps ask for, and no more, has every number', () => {
  forSeeds(
    250,
    (chance) => {
      const model = modelSheet(chance)
      const machinist = new Machinist(chance, model, model.world)
      let document = setupOf(model.sheet, [])
      for (let asked = 0; ; asked += 1) {
        const open = stepsOf(document, solve(document), false).flatMap(({ step, done }) =>
          step.does === 'read' && !done ? [step] : [],
        )
        const [next] = open
        if (next === undefined || next.does !== 'read') break
        if (asked > 200) throw new Error(`asked again for ${next.key}`)
        const readings = [...document.readings, asFact(machinist.read(next.quantity))]
        document = setupOf(model.sheet, readings)
      }
      const case_ = { ...model, document }
      const found = new Map(
        solve(document).registers.map((one) => [one.address as string, one] as const),
      )
      for (const [address, is] of trueRegisters(model.world, model.sheet))
        try {
          compare(case_, found.get(address), address, is)
        } catch (cause) {
          throw new Error(`${(cause as Error).message} (${described(case_)})`)
        }
    },
    seeded,
  )
})

/** Where an axis stood at the touches that a register comes from, the last one last. */
function standsAt({ sheet, document }: ModelCase, address: string, axis: Axis): readonly Reading[] {
  const superseded = new Set(document.readings.map(({ supersedes }) => supersedes))
  const plan = sheet.offsets.find(({ row }) => address.startsWith(`${row}.`))
  const tool = sheet.tools.find(({ lengthRegister }) => address === `H${lengthRegister}`)
  // Counted from the first part's top, a tool that was touched on it needs nothing else.
  const onFirstTop = (number: number) =>
    (sheet.school === 'part-top' || sheet.offsets[0]!.Z.by === 'part-top') &&
    document.readings.some(
      (one) => one.of === 'tip-on-part' && one.row === sheet.offsets[0]!.row && one.tool === number,
    )
  return document.readings.filter((reading) => {
    if (superseded.has(reading.id)) return false
    if (tool !== undefined)
      return (
        (reading.of === 'tip-on-plane' || reading.of === 'tip-on-part') &&
        reading.tool === tool.number &&
        (onFirstTop(tool.number)
          ? reading.of === 'tip-on-part' && reading.row === sheet.offsets[0]!.row
          : reading.of === 'tip-on-plane')
      )
    if (plan === undefined) return reading.of === 'nose-on-plane'
    if (!('row' in reading) || reading.row !== plan.row) return false
    if (axis === 'Z')
      return (
        (plan.Z.by === 'tool-on-part' &&
          reading.of === 'tip-on-part' &&
          reading.tool === plan.Z.tool) ||
        (plan.Z.by === 'nose-on-part' && reading.of === 'nose-on-part') ||
        // Touched on the part itself, it is counted from the nose or the master on that top.
        (plan.Z.by === 'part-top' &&
          (sheet.school === 'gauge-line'
            ? reading.of === 'nose-on-part'
            : sheet.school === 'master-tool' &&
              reading.of === 'tip-on-part' &&
              reading.tool === sheet.reference?.masterTool))
      )
    if (reading.of === 'face')
      return (axis === 'X') === (reading.face === 'left' || reading.face === 'right')
    return reading.of === 'circle-point' || reading.of === 'sweep' || reading.of === 'edge-point'
  })
}

/** Set anew with each tool, Z of a row is told at the touches of that tool that are left in its sum. */
const touchesWith = (
  { document }: ModelCase,
  tool: number,
  chain: Register['chain'],
): readonly Reading[] =>
  document.readings.filter(
    (one) =>
      (one.of === 'tip-on-plane' || one.of === 'tip-on-part') &&
      one.tool === tool &&
      chain?.terms.some(({ source }) => source.reading === one.id),
  )

const placeOn = (reading: Reading, axis: Axis): number =>
  axis === 'Y' && 'readY' in reading ? nm(reading.readY) : nm(reading.read)

/** The set-up with a register's own touches made last, so that the axis stands there. */
const touchedLast = (document: SetupDocument, touches: readonly Reading[]): SetupDocument => ({
  ...document,
  readings: [
    ...document.readings.filter((one) => !touches.includes(one)),
    ...touches.map((one) => ({ ...one, place: fact().place })),
  ],
})

test('what is typed, on a control that does what its keys do, lets every row show the right number', () => {
  const modes = new Map<string, number>()
  forSeeds(
    200,
    (chance) => {
      const model = modelCase(chance)
      const { sheet } = model
      const { control: profile } = sheet.machine
      // What the rows hold before: an adding control is read first.
      const addresses = solve(model.document).registers.map(({ address }) => address)
      const before = new Map(
        addresses.map((address) => [address, chance.whole(-90, 90) * 2_540_000] as const),
      )
      let document: SetupDocument = {
        ...model.document,
        readBacks: addresses.map((address) => ({
          ...fact(),
          address,
          moment: 'before' as const,
          shown: { text: `${(before.get(address)! / 25.4e6).toFixed(1)}in`, unit: sheet.unit },
        })),
      }
      const solution = solve(document)
      const control = new ModelControl(
        model.world.external,
        profile.lengthSign === 'subtracted' ? -1 : 1,
        model.world.grain,
      )
      for (const [address, number] of before) control.set(address, number)
      const right = trueRegisters(model.world, sheet)
      for (const { address, kind, chain } of solution.registers) {
        const is = right.get(address)
        if (is === undefined) continue
        const axis: Axis = address.endsWith('.X') ? 'X' : address.endsWith('.Y') ? 'Y' : 'Z'
        const touches = address.includes('.Z.T')
          ? touchesWith(model, Number(address.split('.Z.T')[1]), chain)
          : standsAt(model, address, axis)
        const stands = touches.map((reading) => placeOn(reading, axis))
        const keyIn = solve(touchedLast(document, touches)).registers.find(
          (one) => one.address === address,
        )?.keyIn
        if (keyIn === undefined) throw new Error(`${address} has no line`)
        if (keyIn.type === undefined)
          throw new Error(`${address} by ${keyIn.mode} has nothing to type`)
        modes.set(keyIn.mode, (modes.get(keyIn.mode) ?? 0) + 1)
        if ((keyIn.mode === 'copy' || keyIn.mode === 'position') && stands.length === 0)
          throw new Error(`${address} by ${keyIn.mode} although nothing was touched for it`)
        const wanted = {
          length: profile.lengthKey,
          diameter: profile.lengthKey,
          'work-offset': profile.workOffsetKeys?.[axis] ?? profile.workOffsetKey,
        }[kind]
        const possible =
          stands.length > 0 &&
          kind !== 'diameter' &&
          keyIn.insteadOf?.because !== 'not-touched' &&
          keyIn.insteadOf?.because !== 'length-unread'
        // A counter that is copied is zeroed for it first: here it was not.
        const isOwn = wanted !== 'halve' && wanted !== 'copy-counter'
        if (possible && keyIn.mode !== wanted && isOwn)
          throw new Error(`${address} by ${keyIn.mode}, the control has ${wanted}`)
        const last = touches.at(-1)?.spindle?.controlSays
        const active = sheet.tools.find(({ number }) => number === last)
        control.active =
          active?.lengthRegister === undefined ? undefined : `H${active.lengthRegister}`
        control.follow(keyIn, axis, stands)
        const { text } = model.write(control.registers.get(address.replace(/\.T\d+$/, ''))!)
        const seen = { address, moment: 'after' as const, shown: { text, unit: sheet.unit } }
        document = { ...document, readBacks: [...document.readBacks, { ...fact(), ...seen }] }
        if (
          !control.shows(address, is) &&
          Math.abs(control.registers.get(address)! - is) >
            tolerance(model, address) + 0.51 * model.world.grain
        )
          throw new Error(
            `${address} by ${keyIn.mode} shows ${control.registers.get(address)}, not ${is}, typed ${keyIn.type} (${described(model)})`,
          )
      }
    },
    seeded,
  )
  // Every way of keying was really keyed by.
  expect(
    [...modes]
      .filter(([, count]) => count > trials(5))
      .map(([mode]) => mode)
      .sort(),
  ).toEqual(['add', 'copy', 'halve', 'position', 'set'])
})

test('every school into every other keeps every sum, and says what the other school means', () => {
  let converted = 0
  forSeeds(
    400,
    (chance) => {
      const model = modelCase(chance, { keepsLengths: true })
      const solution = solve(model.document)
      const sign = model.sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
      const right = trueRegisters(model.world, model.sheet)
      for (const to of SCHOOLS) {
        const result = convertSolution(model.document, solution, to)
        const own = to === model.sheet.school
        if (!result.ok) {
          if (own) throw new Error(`${to} into itself lacks ${result.missing}`)
          continue
        }
        converted += 1
        const { lengths, offsets } = result.table
        const other = trueRegisters(model.world, { ...model.sheet, school: to })
        for (const [H, length] of lengths) {
          if (Math.abs(length - other.get(H)!) > 0.5)
            throw new Error(
              `${model.sheet.school} to ${to}: ${H} is ${length}, not ${other.get(H)}`,
            )
          for (const [Z, offset] of offsets) {
            if (!right.has(Z) || Z.startsWith('G59')) continue
            const sum = sign * right.get(H)! + right.get(Z)!
            if (Math.abs(sign * length + offset - sum) > 0.5)
              throw new Error(
                `${model.sheet.school} to ${to}: ${H} and ${Z} sum to ${sign * length + offset}, not ${sum}`,
              )
          }
        }
      }
    },
    seeded,
  )
  // Own school always; others where the readings tell: most do.
  expect(converted).toBeGreaterThan(2.4 * trials(400))
})

test('from part top, with the bare nose on the part, every length is the real one', () => {
  forSeeds(
    100,
    (chance) => {
      const model = modelSheet(chance, { school: 'part-top', rows: ['G54'], keepsLengths: true })
      const machinist = new Machinist(chance, model, model.world)
      const readings = [machinist.noseOnPart('G54'), ...machinist.everything()].map(asFact)
      const document = setupOf(model.sheet, readings)
      const result = convertSolution(document, solve(document), 'gauge-line')
      if (!result.ok) throw new Error(`lacks ${result.missing}`)
      const other = trueRegisters(model.world, { ...model.sheet, school: 'gauge-line' })
      for (const [H, length] of result.table.lengths)
        if (length !== other.get(H)) throw new Error(`${H} is ${length}, not ${other.get(H)}`)
    },
    seeded,
  )
})
