import { type Reading, type SetupDocument } from '../src/facts'
import { formatLength, readLength, toNanometres } from '../src/length'
import { roundToDisplay } from '../src/length/format-length'
import { type Register } from '../src/registers'
import { explain, groupTies, type Explanation } from '../src/slips'
import { solve } from '../src/solve'
import { modelSetup } from './physical-model'
import type { Chance } from './random'

// A slip is made the way a person makes it, on the readings or on the keyed text, and never by the
// finder's own formulas: a finder that copied its own mistakes would always be right.

interface Trial {
  readonly register: Register
  readonly observed: number
  readonly before?: number
  readonly mode?: 'add'
}

type Slip = (
  chance: Chance,
  document: SetupDocument,
  registers: readonly Register[],
) => Trial | undefined

const pick = (
  chance: Chance,
  registers: readonly Register[],
  keep: (register: Register) => boolean = () => true,
) => {
  const fitting = registers.filter((register) => register.value !== undefined && keep(register))
  return fitting.length === 0 ? undefined : chance.of(fitting)
}

/** The register as it comes out when the document was told wrongly. */
const resolved = (register: Register | undefined, wrong: SetupDocument): Trial | undefined => {
  const value =
    register && solve(wrong).registers.find(({ address }) => address === register.address)?.value
  return register && value !== undefined ? { register, observed: value } : undefined
}

const ofOffset = ({ kind }: Register) => kind === 'work-offset'
const ofY = ({ address }: Register) => address.endsWith('.Y')
const textOf = (register: Register) => formatLength(register.value ?? toNanometres(0), 'mm', 3)

function retyped(
  register: Register | undefined,
  change: (text: string, digits: readonly number[]) => string,
): Trial | undefined {
  if (register === undefined) return undefined
  const text = textOf(register)
  const digits = [...text].flatMap((character, place) => (/\d/.test(character) ? [place] : []))
  const read = readLength({ text: change(text, digits), unit: 'mm' })
  return read.ok ? { register, observed: read.value.nm } : undefined
}

/** What was typed: the control never sees more than its own decimals. */
const shownValue = (register: Register): number =>
  roundToDisplay(register.value ?? toNanometres(0), 'mm', 3)

const touchOf = (register: Register): string | undefined =>
  register.chain?.terms.find(({ source, role }) => source.kind === 'reading' && role !== 'counter')
    ?.source.id

const withoutGauge = (
  document: SetupDocument,
  id: string,
  gauges: (before: readonly string[]) => readonly string[],
): SetupDocument => ({
  ...document,
  readings: document.readings.map((reading) =>
    reading.id === id
      ? { ...reading, with: gauges(reading.with), approach: movedLike(reading.with) }
      : reading,
  ),
})

/** Forgetting a gauge does not change which way the screw turned. */
const movedLike = (gauges: readonly string[]): '+' | '-' => (gauges.includes('block') ? '+' : '-')

const withFacing = (document: SetupDocument, factor: number): SetupDocument => ({
  ...document,
  sheet: {
    ...document.sheet,
    offsets: document.sheet.offsets.map((offset) => {
      const read = readLength(offset.Z.facing)
      const text = formatLength(
        toNanometres((read.ok ? read.value.nm : 0) * Math.max(factor, 0)),
        'mm',
        3,
      )
      return { ...offset, Z: { ...offset.Z, facing: { text, unit: 'mm' as const } } }
    }),
  },
})

/** What a difference says when its counter is taken to have been zeroed at the other end. */
function otherEnd(reading: Reading): Reading {
  if (reading.of === 'carried-difference')
    return { ...reading, zeroedOn: reading.zeroedOn === 'plane' ? 'part' : 'plane' }
  if (reading.of === 'fixture-difference')
    return { ...reading, zeroedOn: reading.zeroedOn === 'from' ? 'row' : 'from' }
  return reading
}

const counters = ({ readings }: SetupDocument) =>
  readings.filter(
    (one): one is Extract<Reading, { of: 'carried-difference' | 'fixture-difference' }> =>
      one.of === 'carried-difference' || one.of === 'fixture-difference',
  )

const turnedText = (text: string): string => (text.startsWith('-') ? text.slice(1) : `-${text}`)

const turnedTrial = (trial: Trial | undefined): Trial | undefined =>
  trial && { ...trial, observed: -trial.observed }

function withoutTip(document: SetupDocument, register: Register | undefined): Trial | undefined {
  const id = register && touchOf(register)
  return id === undefined
    ? undefined
    : resolved(register, {
        ...document,
        readings: document.readings.map((one) => (one.id === id ? { ...one, with: [] } : one)),
      })
}

const hasLostMotion = ({ chain }: Register): boolean =>
  chain?.terms.some(({ role, source }) => role === 'lost-motion' && source.length.nm !== 0) ?? false

function withoutLostMotion(document: SetupDocument): SetupDocument {
  const none = { text: '0', unit: 'mm' } as const
  const machine = { ...document.sheet.machine, lostMotion: { X: none, Y: none, Z: none } }
  return { ...document, sheet: { ...document.sheet, machine } }
}

const isZ = ({ address }: Register) => address.endsWith('.Z')
const hasZTouch = (register: Register) =>
  register.kind === 'length' && touchOf(register) !== undefined

/** One way of going wrong for each class; two slips at once are joined by a plus. */
export const SLIPS: Readonly<Record<string, Slip>> = {
  'sign-turned': (chance, _, registers) =>
    retyped(pick(chance, registers), (text) => (text.startsWith('-') ? text.slice(1) : `-${text}`)),
  'not-committed': (chance, _, registers) => {
    const register = pick(chance, registers)
    const before = chance.micrometres(-500_000, 500_000)
    return register && { register, before, observed: before }
  },
  'added-not-set': (chance, _, registers) => {
    const register = pick(chance, registers)
    const before = chance.micrometres(-500_000, 500_000)
    return register && { register, before, observed: before + shownValue(register) }
  },
  'unit-inch-for-mm': (chance, _, registers) => {
    const register = pick(chance, registers)
    return register && { register, observed: shownValue(register) / 25.4 }
  },
  'decimal-shifted': (chance, _, registers) => {
    const register = pick(chance, registers)
    return register && { register, observed: shownValue(register) * chance.of([0.001, 0.1, 10]) }
  },
  'other-row': (chance, _, registers) => {
    const register = pick(chance, registers)
    const other = pick(chance, registers, (one) => one !== register)
    return register && other && { register, observed: other.value ?? 0 }
  },
  'gauge-forgotten': (chance, document, registers) => {
    const register = pick(chance, registers, hasZTouch)
    const id = register && touchOf(register)
    return id === undefined
      ? undefined
      : resolved(
          register,
          withoutGauge(document, id, () => []),
        )
  },
  'gauge-doubled': (chance, document, registers) => {
    const register = pick(chance, registers, hasZTouch)
    const id = register && touchOf(register)
    return id === undefined
      ? undefined
      : resolved(
          register,
          withoutGauge(document, id, (before) => [...before, ...before]),
        )
  },
  'gauge-wrong-sign': (chance, document, registers) => {
    const register = pick(chance, registers, hasZTouch)
    const reading = document.readings.find(({ id }) => register && id === touchOf(register))
    const gauge = document.sheet.gauges.find(({ id }) => reading?.with.includes(id))
    // Only where the gauge does not cancel: a register that counts from the plane itself.
    const stays = register?.chain?.terms.some(({ role }) => role === 'gauge-beneath')
    const read = gauge && readLength(gauge.size)
    return register && read?.ok && stays
      ? { register, observed: shownValue(register) + 2 * read.value.nm }
      : undefined
  },
  'counter-end-mistaken': (chance, document, registers) => {
    const turned = document.readings.map(otherEnd)
    const counted = (register: Register) =>
      register.chain?.terms.filter(({ role }) => role === 'counter').length
    return resolved(
      pick(chance, registers, (one) => isZ(one) && counted(one) === 1),
      { ...document, readings: turned },
    )
  },
  'constant-forgotten': (chance, document, registers) => {
    const { externalOffset: _left, ...machine } = document.sheet.machine
    return resolved(pick(chance, registers, isZ), {
      ...document,
      sheet: { ...document.sheet, machine },
    })
  },
  'facing-doubled': (chance, document, registers) =>
    resolved(
      pick(chance, registers, (one) => isZ(one) && one.address === 'G54.Z'),
      withFacing(document, 2),
    ),
  'drawing-wrong-sign': (chance, _, registers) => {
    const register = pick(chance, registers, ofY)
    return register && { register, observed: (register.value ?? 0) - 80_000_000 }
  },
  'set-not-added': (chance, _, registers) => {
    const register = pick(chance, registers)
    const before = chance.micrometres(-500_000, 500_000)
    return register && { register, before, mode: 'add', observed: shownValue(register) - before }
  },
  'unit-mm-for-inch': (chance, _, registers) => {
    const register = pick(chance, registers)
    return register && { register, observed: shownValue(register) * 25.4 }
  },
  'digit-doubled': (chance, _, registers) =>
    retyped(pick(chance, registers), (text, digits) => {
      const at = chance.of(digits)
      return text.slice(0, at) + text.charAt(at) + text.slice(at)
    }),
  'radius-forgotten': (chance, document, registers) =>
    withoutTip(document, pick(chance, registers, ofY)),
  'radius-doubled': (chance, document, registers) => {
    const register = pick(chance, registers, ofY)
    const id = register && touchOf(register)
    return id === undefined
      ? undefined
      : resolved(register, {
          ...document,
          readings: document.readings.map((one) =>
            one.id === id ? { ...one, with: ['finder', 'finder'] } : one,
          ),
        })
  },
  'radius-wrong-side': (chance, _, registers) => {
    // Subtracted at a front face, where it is to be added: off by the whole tip.
    const register = pick(chance, registers, ofY)
    return register && { register, observed: (register.value ?? 0) - 10_000_000 }
  },
  'facing-forgotten': (chance, document, registers) =>
    resolved(pick(chance, registers, isZ), withFacing(document, 0)),
  'facing-wrong-side': (chance, document, registers) => {
    // The stock top plus the facing, where it was to be taken off: too high by twice the facing.
    const register = pick(chance, registers, ({ address }) => address === 'G54.Z')
    const [first] = document.sheet.offsets
    const facing = first && readLength(first.Z.facing)
    return register && facing?.ok
      ? { register, observed: (register.value ?? 0) + 2 * facing.value.nm }
      : undefined
  },
  'radius-for-diameter': (chance, _, registers) => {
    const register = pick(chance, registers, ({ kind }) => kind === 'diameter')
    return register && { register, observed: shownValue(register) * chance.of([0.5, 2]) }
  },
  'half-not-taken': (chance, document, registers) => {
    const register = pick(chance, registers, ({ address }) => address.endsWith('.X'))
    const right = document.readings.find(
      (reading) => reading.of === 'face' && reading.face === 'right',
    )
    const face = right && readLength(right.read)
    return register && face?.ok ? { register, observed: face.value.nm - 7_000_000 } : undefined
  },
  'drawing-forgotten': (chance, _, registers) => {
    const register = pick(chance, registers, ofY)
    return register && { register, observed: (register.value ?? 0) - 40_000_000 }
  },
  'raw-position': (chance, document, registers) => {
    const register = pick(chance, registers, (one) => ofOffset(one) && touchOf(one) !== undefined)
    const reading = document.readings.find(({ id }) => register && id === touchOf(register))
    const read = reading && readLength(reading.read)
    return register && read?.ok ? { register, observed: read.value.nm } : undefined
  },
  'sum-not-halved': (chance, document, registers) => {
    const register = pick(chance, registers, ({ address }) => address === 'G54.X')
    const faces = document.readings.filter(
      (one) => one.of === 'face' && one.row === 'G54' && one.face !== 'front',
    )
    const sum = faces.reduce((all, { read }) => all + Number(read.text) * 1e6, 0)
    return register && faces.length === 2
      ? { register, observed: Math.round(sum) - 7_000_000 }
      : undefined
  },
  'half-keyed': (chance, _, registers) => {
    const register = pick(chance, registers)
    const before = 2 * chance.micrometres(-250_000, 250_000)
    return register && { register, before, observed: (before + shownValue(register)) / 2 }
  },
  'reading-sign-lost': (chance, document, registers) => {
    const register = pick(
      chance,
      registers,
      (one) => touchOf(one) !== undefined && one.kind !== 'diameter',
    )
    const id = register && touchOf(register)
    return resolved(register, {
      ...document,
      readings: document.readings.map((one) =>
        one.id === id ? { ...one, read: { ...one.read, text: turnedText(one.read.text) } } : one,
      ),
    })
  },
  'raw-counter': (chance, document, registers) => {
    const counter = chance.of([...counters(document), undefined])
    const register = registers.find(({ address }) => counter && address === `${counter.row}.Z`)
    const read = counter && Number(counter.read.text) * 1e6
    return register?.value !== undefined && read !== undefined
      ? { register, observed: Math.round(chance.of([1, -1]) * read) }
      : undefined
  },
  'counter-end-mistaken, read twice': (chance, document, registers) => {
    const counter = chance.of([...counters(document), undefined])
    if (counter === undefined) return undefined
    const twice = {
      ...document,
      readings: [...document.readings, { ...counter, id: `${counter.id.slice(0, -1)}z` }],
    }
    const register = solve(twice).registers.find(({ address }) => address === `${counter.row}.Z`)
    const turned = {
      ...twice,
      readings: twice.readings.map((one) =>
        counters(twice).includes(one as never) && 'row' in one && one.row === counter.row
          ? otherEnd(one)
          : one,
      ),
    }
    return registers.length > 0 ? resolved(register, turned) : undefined
  },
  'constant-wrong-sign': (chance, document, registers) => {
    const { externalOffset, ...machine } = document.sheet.machine
    const Z = externalOffset?.Z && { ...externalOffset.Z, text: turnedText(externalOffset.Z.text) }
    return resolved(pick(chance, registers, isZ), {
      ...document,
      sheet: { ...document.sheet, machine: { ...machine, ...(Z && { externalOffset: { Z } }) } },
    })
  },
  'lost-motion-forgotten': (chance, document, registers) =>
    resolved(pick(chance, registers, hasLostMotion), withoutLostMotion(document)),
  'lost-motion-wrong-sign': (chance, _, registers) => {
    const register = pick(chance, registers, hasLostMotion)
    const lost = register?.chain?.terms
      .filter(({ role }) => role === 'lost-motion')
      .reduce((sum, { coefficient, source }) => sum + coefficient * source.length.nm, 0)
    return register && lost !== undefined
      ? { register, observed: (register.value ?? 0) - 2 * lost }
      : undefined
  },
  'gauge-forgotten+sign-turned': (chance, document, registers) => {
    const register = pick(chance, registers, hasZTouch)
    const id = register && touchOf(register)
    return id === undefined
      ? undefined
      : turnedTrial(
          resolved(
            register,
            withoutGauge(document, id, () => []),
          ),
        )
  },
  'radius-forgotten+sign-turned': (chance, document, registers) =>
    turnedTrial(withoutTip(document, pick(chance, registers, ofY))),
  'facing-forgotten+sign-turned': (chance, document, registers) =>
    turnedTrial(resolved(pick(chance, registers, isZ), withFacing(document, 0))),
  'facing-forgotten+counter-end-mistaken': (chance, document, registers) => {
    const counter = chance.of([...counters(document), undefined])
    const register = registers.find(({ address }) => counter && address === `${counter.row}.Z`)
    const wrong = withFacing(document, 0)
    return resolved(register, {
      ...wrong,
      readings: wrong.readings.map((one) => (one.id === counter?.id ? otherEnd(one) : one)),
    })
  },
  'drawing-wrong-sign+radius-forgotten': (chance, document, registers) => {
    const trial = withoutTip(document, pick(chance, registers, ofY))
    return trial && { ...trial, observed: trial.observed - 80_000_000 }
  },
  'constant-forgotten+facing-forgotten': (chance, document, registers) => {
    const { externalOffset: _left, ...machine } = document.sheet.machine
    const wrong = withFacing(document, 0)
    return resolved(pick(chance, registers, isZ), { ...wrong, sheet: { ...wrong.sheet, machine } })
  },
  'digits-swapped': (chance, _, registers) =>
    retyped(pick(chance, registers), (text, digits) => {
      const at = chance.whole(0, digits.length - 2)
      const [left, right] = [digits[at] ?? 0, digits[at + 1] ?? 0]
      const characters = [...text]
      characters[left] = text.charAt(right)
      characters[right] = text.charAt(left)
      return characters.join('')
    }),
  'digit-missing': (chance, _, registers) =>
    retyped(pick(chance, registers), (text, digits) => {
      const at = chance.of(digits)
      return text.slice(0, at) + text.slice(at + 1)
    }),
  'digit-wrong': (chance, _, registers) =>
    retyped(pick(chance, registers), (text, digits) => {
      const at = chance.of(digits)
      return text.slice(0, at) + String(chance.whole(0, 9)) + text.slice(at + 1)
    }),
}

export interface ClassScore {
  /** The class: a slip, or two of them joined by a plus. */
  readonly code: string
  made: number
  listed: number
  first: number
}

/** Makes slips of each class in turn in random set-ups, and asks the finder. */
export function runTrials(
  chance: Chance,
  setups: number,
): { readonly scores: readonly ClassScore[]; readonly falseAlarms: number } {
  const scores = Object.keys(SLIPS).map((code): ClassScore => ({
    code,
    made: 0,
    listed: 0,
    first: 0,
  }))
  let falseAlarms = 0
  for (let setup = 0; setup < setups; setup += 1) {
    const { document } = modelSetup(chance)
    const { registers } = solve(document)
    for (const register of registers)
      if (
        register.value !== undefined &&
        ask(document, registers, { register, observed: roundToDisplay(register.value, 'mm', 3) })
          .length > 0
      )
        falseAlarms += 1
    for (const score of scores) {
      const trial = SLIPS[score.code]?.(chance, document, registers)
      // A slip that changes nothing on the display is none: swapping two equal digits, a facing of zero.
      if (
        trial === undefined ||
        roundToDisplay(toNanometres(trial.observed), 'mm', 3) ===
          roundToDisplay(trial.register.value ?? toNanometres(0), 'mm', 3)
      )
        continue
      const groups = groupTies(ask(document, registers, trial))
      score.made += 1
      const isNamed = (cause: Explanation) => isClass(score.code, cause)
      if (groups.flat().some(isNamed)) score.listed += 1
      if (groups[0]?.some(isNamed)) score.first += 1
    }
  }
  return { scores, falseAlarms }
}

/** A pair is the same whichever of the two is named first; what stands behind a comma is how it was made. */
function isClass(name: string, { code, and }: Explanation): boolean {
  const wanted = (name.split(',')[0] ?? name).split('+').sort()
  return [code, ...(and ? [and.code] : [])].sort().join() === wanted.join()
}

function ask(
  document: SetupDocument,
  registers: readonly Register[],
  { register, observed, before, mode }: Trial,
): readonly Explanation[] {
  const { value, chain, address, kind } = register
  if (value === undefined || chain === undefined) return []
  return explain({
    expected: roundToDisplay(value, 'mm', 3),
    observed: roundToDisplay(toNanometres(observed), 'mm', 3),
    unit: 'mm',
    decimals: 3,
    chain,
    kind,
    gauges: document.sheet.gauges.map(({ name, size }) => ({
      name,
      nm: toNanometres(Number(size.text) * 1e6),
    })),
    others: registers.flatMap((other) =>
      other.address !== address && other.value !== undefined
        ? [{ name: other.address, nm: other.value }]
        : [],
    ),
    ...(before === undefined ? {} : { before: toNanometres(before) }),
    ...(mode === undefined ? {} : { mode }),
  })
}
