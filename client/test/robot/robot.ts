import { checkDocument } from '@pine/core/facts'
import { axisOfAddress, type Address } from '@pine/core/address'
import { captureAt, suggestPosition, zeroesCounter, type StepState } from '@pine/core/plan'
import { axesRead, axisOfQuantity, isAxisPosition, type QuantityName } from '@pine/core/quantities'
import { activeLift } from '@pine/core/proof'
import type { Register } from '@pine/core/registers'
import { captureView, capturedFacts } from '@/areas/run/read/position/capture-view'
import type { NewReading } from '@/areas/run/read/reading-draft'
import {
  keyInView,
  type Beneath,
  type KeyInView,
  type Pressed,
} from '@/areas/run/key-in/key-in-view'
import { airCutView } from '@/areas/run/prove/air-cut-view'
import { firstPartView } from '@/areas/run/release/first-part-view'
import { runView } from '@/areas/run/frame/run-view'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { standing, type LoadedSetup } from '@/data/setup/standing'
import { ModelControl } from '../../../core/test/model/control'
import { Machinist } from '../../../core/test/model/machinist'
import { modelSheet, type ModelOptions, type ModelSheet } from '../../../core/test/model/sheet'
import { AXES, nm, some, somePart, trueRegisters, type Axis } from '../../../core/test/model/world'
import type { Chance } from '../../../core/test/random'
import { setupOf } from '../../../core/test/worked-example'
import { after, NOW } from '../run/set-ups'
import { onTheDisplay } from './display'
import { displayed, follow, numberOn } from './hands'

type Asks = Extract<Beneath, { of: 'ask' }>

/**
 * Somebody who does what the screen says, and now and then something else: keys wrong, reads wrong, goes back, jogs away, changes the
 * sheet, and comes again. It works on a control and in a world of its own, which share no arithmetic with core, and asks after each
 * instruction: done as told, does the row become what it should?
 */
export class Robot {
  setup: LoadedSetup
  /** What was told that leads elsewhere, or called good and is not. */
  readonly complaints: string[] = []
  told = 0
  private model: ModelSheet
  private machinist: Machinist
  private readonly control: ModelControl
  /** Somebody jogged, and the screen cannot know. */
  private jogged = false
  /** By register: what was put right after a part was measured. */
  private readonly corrections = new Map<string, { tool: number; by: number }>()
  private readonly story: string[] = []

  constructor(
    private readonly chance: Chance,
    options: ModelOptions = {},
  ) {
    this.model = modelSheet(chance, options)
    const { world, sheet } = this.model
    this.machinist = new Machinist(chance, this.model, world)
    this.control = new ModelControl(
      world.external,
      sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1,
      world.grain,
    )
    // The rows hold what the last job left there, and now and then nothing.
    for (const address of trueRegisters(world, sheet).keys())
      this.control.set(
        controlRow(address as Address),
        chance.next() < 0.3 ? 0 : some(chance, world.grain, -90, 90),
      )
    this.setup = standing(setupOf(sheet, []), NOW)
  }

  run(actions: number): void {
    for (let action = 0; action < actions && this.complaints.length === 0; action += 1) {
      const luck = this.chance.next()
      if (luck < 0.08) this.happen()
      else if (luck < 0.13) this.changeSheet()
      else if (luck < 0.3) this.goTo(this.chance.of(this.setup.steps).step.key)
      else this.goTo(undefined)
    }
    const [problem] = checkDocument(this.setup.document)
    if (problem !== undefined) this.complain(`refused: ${JSON.stringify(problem)}`)
  }

  private say(...said: readonly FactDraft[]): void {
    this.setup = after(this.setup, ...said)
  }

  private complain(what: string): void {
    this.complaints.push(`${what}\n    after ${this.story.slice(-8).join(' · ')}`)
  }

  /** @param led how often one screen led to another by now, with nothing done. */
  private goTo(key: string | undefined, led = 0): void {
    const run = runView(this.setup, key)
    const state = run.waitsFor ?? run.current
    const { step } = state
    if (led > 5) return this.complain(`${key} leads round and round, to ${step.key}`)
    switch (step.does) {
      case 'read':
        return this.read(step.quantity, state)
      case 'key-in': {
        const register = this.setup.solution.registers.find(
          ({ address }) => address === step.address,
        )
        return register?.chain === undefined ? undefined : this.keyIn(register, led)
      }
      case 'check':
        return this.check(step)
      case 'prove':
        return this.prove(step)
      case 'sheet':
      case 'record':
        return undefined
    }
  }

  private check({ check, stop }: Extract<StepState['step'], { does: 'check' }>): void {
    switch (check) {
      case 'cut':
        this.moveAway()
        return this.say({ kind: 'check-off', body: { of: 'cut', tool: stop ?? 0 } })
      case 'air-cut':
        return this.airCut()
      case 'first-part':
        return this.firstPart()
      case 'part-zero':
        return this.say({
          kind: 'check-off',
          body: { of: check, row: 'G54', marks: {}, leftOut: 'no dials' },
        })
      default:
        return this.say({ kind: 'check-off', body: { of: check } })
    }
  }

  /** The first part is good, or one of its floors is not: that length is put right. */
  private firstPart(): void {
    const { tools, machine } = this.model.sheet
    const off = this.chance.whole(-20, 20) * 2540
    const tool = this.chance.of(tools).number
    const floor = (nm: number) => ({ text: (nm / 1e6).toFixed(6), unit: 'mm' as const })
    const cut = {
      feature: 'floor-depth',
      tool,
      nominal: floor(5e6),
      measured: floor(5e6 + off),
    } as const
    const facts =
      this.chance.next() < 0.5 ? firstPartView(this.setup, [cut]).toKey?.facts : undefined
    const address = facts?.flatMap(({ kind, body }) =>
      kind === 'event' && 'address' in body ? [body.address] : [],
    )[0]
    if (facts === undefined || !address?.startsWith('H'))
      return this.say({ kind: 'check-off', body: { of: 'first-part', measured: [] } })
    const turns = address.startsWith('H') && machine.control.lengthSign === 'subtracted'
    const before = this.corrections.get(address)?.by ?? 0
    this.corrections.set(address, { tool, by: before + (turns ? -off : off) })
    this.story.push(`floor of T${tool} off by ${off}`)
    this.moveAway()
    this.say(...facts)
  }

  /** Where a tool's length comes from: the first part's top, where all are touched there, else the plane. */
  private isOwnTouch(quantity: QuantityName): quantity is QuantityName & { tool: number } {
    const { school, offsets, tools } = this.model.sheet
    const [first] = offsets
    const isKnown =
      'tool' in quantity &&
      tools.some(({ number, length }) => number === quantity.tool && length !== undefined)
    // Where the length itself is declared, a touch on the part finds the part.
    if (isKnown && school === 'gauge-line' && first?.Z.by !== 'part-top')
      return quantity.of === 'tip-on-plane'
    // Where the part is found by one of the tools, that one is as long as it stood there; the others are compared with it on the plane.
    const findsPart =
      school === 'part-top' &&
      first?.Z.by === 'tool-on-part' &&
      'tool' in quantity &&
      first.Z.tool === quantity.tool
    return first?.Z.by === 'part-top' || findsPart
      ? quantity.of === 'tip-on-part' && quantity.row === first.row
      : quantity.of === 'tip-on-plane'
  }

  /** Touched again, or changed: the tool is what it is. */
  private endCorrections(tool: number): void {
    for (const [address, one] of this.corrections)
      if (one.tool === tool) this.corrections.delete(address)
  }

  /** Raises everything row by row, runs it in air and lets it down; leaves it in the middle now and then. */
  private airCut(): void {
    const typed = {
      where: this.chance.of(['external-offset', 'work-offsets', 'lengths'] as const),
      lowest: -10_160_000 as never,
      margin: 5_080_000 as never,
    }
    let begun: 'in' | 'out' | undefined
    for (let screens = 0; screens < 40 && this.complaints.length === 0; screens += 1) {
      const view = airCutView(this.setup, typed, begun)
      switch (view.shows) {
        case 'done':
          return this.expectLift(0)
        case 'raise':
          if (begun !== undefined || view.rows.length === 0)
            return this.say({ kind: 'check-off', body: { of: 'air-cut', how: 'graphics' } })
          begun = 'in'
          break
        case 'raised':
          this.expectLift(15_240_000)
          begun = 'out'
          break
        case 'down':
          this.expectLift(0)
          this.say(...view.facts)
          break
        case 'row':
          this.liftRow(view.row.view)
      }
      if (this.chance.next() < 0.12) return
    }
  }

  private liftRow(view: KeyInView): void {
    const { beneath, unit, name } = view
    if (beneath.of !== 'ask') return
    const { external } = this.control
    const row = / (external offset Z|H\d+|G\S+( P\d+)? Z)/.exec(name)?.[1]?.replace(/ Z$/, '.Z')
    if (row === undefined) return this.complain(`${name} names no row`)
    this.told += 1
    if (row === 'external offset.Z') {
      const Z = numberOn(view.type ?? '', unit)
      const adds = view.key !== undefined && 'does' in view.key && view.key.does === 'adds'
      this.control.external = { ...external, Z: adds ? external.Z + Z : Z }
      const shown = displayed(this.control.external.Z, unit, this.decimals)
      return this.say(...beneath.facts({ text: shown, unit }))
    }
    const isNow =
      view.row === undefined || numberOn(view.row, unit) === numberOn(this.shows(row), unit)
    if (!isNow) this.complain(`${name}: the row shows ${this.shows(row)} and not ${view.row}`)
    if (this.chance.next() < 0.9) follow(view, { control: this.control, row, axis: 'Z' })
    else this.misKey(view, row)
    this.story.push(`${name}: ${view.type}, shows ${this.shows(row)}`)
    this.say(...beneath.facts({ text: this.shows(row), unit }))
  }

  /** How much higher every tool stands, in every row, than its numbers say. */
  private expectLift(by: number): void {
    const { sheet } = this.model
    const sign = sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
    const right = trueRegisters(this.machinist.world, sheet)
    for (const { row } of sheet.offsets)
      for (const { lengthRegister } of sheet.tools) {
        const H = `H${lengthRegister}`
        const keyed = [H, `${row}.Z`].map((address) =>
          this.setup.solution.registers.find((one) => one.address === address),
        )
        if (keyed.some((one) => one?.readBack?.equal !== true || one.stale !== undefined)) continue
        const corrected = this.corrections.get(H)?.by ?? 0
        const off =
          this.control.external.Z -
          this.machinist.world.external.Z +
          (this.control.registers.get(`${row}.Z`)! - right.get(`${row}.Z`)!) +
          sign * (this.control.registers.get(H)! - right.get(H)! - corrected)
        if (Math.abs(off - by) > 3 * this.model.world.grain)
          this.complain(`${H} in ${row} stands ${off} higher, not ${by}`)
      }
  }

  private prove({ row, tool }: Extract<StepState['step'], { does: 'prove' }>): void {
    this.moveAway()
    const clearance = { text: '25.0', unit: 'mm' as const }
    this.say({ kind: 'proof', body: { row, tool, clearance, gap: clearance, overZero: true } })
  }

  /** Wherever the axes go next is no touch. */
  private moveAway(): void {
    for (const axis of AXES)
      this.control.position[axis] += some(this.chance, this.model.world.grain, 1, 40)
  }

  private read(quantity: QuantityName, { done }: StepState): void {
    // What was read already is left, read once more, or read anew because it was wrong.
    if (done && this.chance.next() < 0.5) return
    const drawn = this.machinist.read(quantity) as NewReading
    const machine = !quantity.of.endsWith('difference')
    const earlier = this.setup.document.readings.findLast(
      (one) => done && one.of === quantity.of && sameQuantity(one, quantity),
    )
    const anew = earlier !== undefined && this.chance.next() < 0.3 && quantity.of !== 'sweep'
    const body: NewReading = anew
      ? ({ ...drawn, supersedes: earlier.id, reason: 'misread' } as NewReading)
      : drawn
    this.story.push(`${anew ? 'read anew' : 'read'} ${JSON.stringify(quantity)}`)
    // A micrometer moves no axis; whatever else is touched, all of them move to get there.
    if (quantity.of !== 'tool-diameter') {
      const read = axesRead(quantity)
      for (const axis of AXES)
        this.control.position[axis] =
          machine && read.includes(axis)
            ? nm(axis === 'Y' && 'readY' in body ? body.readY : body.read)
            : this.control.position[axis] + some(this.chance, this.model.world.grain, 1, 40)
      this.jogged = false
      if (zeroesCounter(this.setup.document, quantity))
        this.control.zeroCounter(axisOfQuantity(quantity))
    }
    if (this.isOwnTouch(quantity)) this.endCorrections(quantity.tool)
    const counted = this.fromNose(quantity, body)
    if (this.chance.next() < 0.6 && this.capture(quantity, counted)) return
    if (!isAxisPosition(quantity)) return this.say({ kind: 'reading', body })
    const { control, chance } = this
    const { sheet, write } = this.model
    // In a lift that is in the external offset nobody touches anything.
    const shown =
      counted !== body || activeLift(this.setup.document) !== undefined
        ? { body: counted, before: [] }
        : onTheDisplay(body, quantity, { control, chance, sheet, write })
    if (shown.body.position !== undefined)
      this.story.push(`read on ${JSON.stringify(shown.body.position)}: ${shown.body.read.text}`)
    this.say(...shown.before, { kind: 'reading', body: shown.body })
  }

  /** On a control that copies its counter into lengths, it is zeroed with the bare nose, or the master, on what the tip stands on now. */
  private fromNose(quantity: QuantityName, body: NewReading): NewReading {
    const { position } = suggestPosition(this.setup.document, quantity)
    if (position?.of !== 'counter-from' || quantity.of !== 'tip-on-plane') return body
    const { lengths } = this.machinist.world
    const beyond = lengths[quantity.tool]! - (position.tool === null ? 0 : lengths[position.tool]!)
    this.control.zeroCounterAt('Z', this.control.position.Z - beyond)
    return { ...body, position, read: this.model.write(beyond) } as NewReading
  }

  /** Keys at the touch, where the screen has something to key there, and reads the row. */
  private capture(quantity: QuantityName, body: NewReading): boolean {
    const { read: _, ...toBe } = body
    const capture = captureAt(this.setup.document, toBe as never)
    if (capture === undefined) return false
    const { address, unit, mode } = capture
    const view = captureView(capture, quantity, undefined)
    const row = controlRow(address)
    const axis = axisOfAddress(address)
    this.control.active = /With (H\d+) active/.exec(view.first ?? '')?.[1]
    if (mode === 'copy') this.control.copy(row, axis)
    if (mode === 'copy-counter') this.control.copyCounter(row, axis)
    if (view.does === 'adds') this.control.add(row, numberOn(view.type, unit))
    else this.control.myPositionIs(row, axis, numberOn(view.type, unit))
    this.told += 1
    const shown = this.shows(row)
    const stands = captureView(capture, quantity, numberOn(shown, unit) as never).axisAt ?? ''
    this.story.push(`captured ${address}: ${shown}`)
    const stood = mode === 'copy-counter' ? this.control.counter(axis) : this.control.position[axis]
    if (Math.abs(numberOn(stands.slice(1), unit) - stood) > this.control.step)
      this.complain(`${address} captured says ${stands}, and it stands at ${stood}`)
    this.say(...capturedFacts(capture, 'captured', body, { text: shown, unit }))
    this.expectRight(address, 'captured')
    return true
  }

  private keyIn({ address }: Register, led: number): void {
    let pressed: Pressed = {}
    for (let screens = 0; screens < 8; screens += 1) {
      const register = this.setup.solution.registers.find((one) => one.address === address)
      const view = register && keyInView(this.setup, register, pressed)
      if (view === undefined || this.complaints.length > 0) return
      const { beneath } = view
      const { unit } = view
      const row = controlRow(address)
      switch (beneath.of) {
        case 'stale':
          return beneath.again && this.goTo(beneath.again.key, led + 1)
        case 'equal':
          this.expectShown(address)
          if (this.chance.next() < 0.8) return
          pressed = { again: 'look' }
          continue
        case 'mismatch':
          if (this.chance.next() < 0.2) return
          pressed = { again: this.chance.of(['key', 'look'] as const) }
          continue
        case 'ask':
          if (beneath.moment === 'before') {
            this.story.push(`${address} showed ${this.shows(row)} before`)
            this.say(...beneath.facts({ text: this.shows(row), unit }))
            pressed = { ...pressed, rowDiffers: false }
            continue
          }
          if (this.isNotSo(view, beneath, address)) {
            pressed = { ...pressed, ...beneath.unless?.pressed }
            continue
          }
          pressed = {}
          if (!this.keyAsTold(view, address, beneath)) return
      }
    }
  }

  /** What the screen counts from is looked at before anything is keyed: the row, and whether the axis was jogged away. */
  private isNotSo(view: KeyInView, beneath: Asks, address: Address): boolean {
    if (view.row !== undefined)
      return numberOn(view.row, view.unit) !== numberOn(this.shows(controlRow(address)), view.unit)
    if (beneath.unless?.pressed.movedAway !== true) return false
    if (!this.jogged && this.chance.next() < 0.1) {
      this.moveAway()
      this.jogged = true
    }
    return this.jogged
  }

  /** @returns whether it is gone on with this register. */
  private keyAsTold(view: KeyInView, address: Address, beneath: Asks): boolean {
    const at = { row: controlRow(address), axis: axisOfAddress(address) }
    const luck = this.chance.next()
    if (view.type !== undefined) {
      const tried = this.control.copyOfIt()
      const against = follow(view, { control: tried, ...at })
      this.told += 1
      const words = `${address}: ${view.notes.map((note) => note.words).join(' ')} ${view.type} ${JSON.stringify(view.key)}`
      if (against !== undefined) this.complain(`${words}: ${against}`)
      else this.expectRow(tried, address, words)
      if (this.complaints.length > 0) return false
      if (luck < 0.75) follow(view, { control: this.control, ...at })
      else this.misKey(view, at.row)
      this.story.push(`keyed ${words}`)
      // Called away before the row is read again: the screen does not know that it was keyed.
      if (luck > 0.95) {
        this.jogged = true
        return false
      }
    }
    const shown = this.shows(at.row)
    const unit = view.unit
    const isSo =
      beneath.short !== undefined &&
      numberOn(shown, unit) === numberOn(beneath.short.expected.text, unit)
    this.story.push(`read back ${shown}`)
    this.say(
      ...(isSo && this.chance.next() < 0.7
        ? beneath.facts(beneath.short!.expected, beneath.short!.way)
        : beneath.facts({
            text: this.asSeen(shown, (text) => beneath.isRight({ text, unit })),
            unit,
          })),
    )
    return true
  }

  /** Now and then misread; but nobody could tell a wrong number that was misread as the right one. */
  private asSeen(shown: string, isRight: (text: string) => boolean): string {
    const seen = this.chance.next() < 0.05 ? misread(shown) : shown
    return isRight(seen) && !isRight(shown) ? shown : seen
  }

  private misKey(view: { readonly type?: string; readonly unit: 'mm' | 'in' }, row: string): void {
    const number = numberOn(view.type ?? '', view.unit)
    this.chance.of([
      () => this.control.set(row, -number),
      () => this.control.add(row, number),
      () => this.control.set(row, number),
      () => this.control.set(row, Math.abs(number) < 1e9 ? number * 10 : 0),
      () => undefined,
    ])()
  }

  private get decimals(): number {
    const { unit, machine } = this.setup.document.sheet
    return machine.control.decimals[unit]
  }

  private shows(row: string): string {
    return displayed(this.control.registers.get(row) ?? 0, this.model.sheet.unit, this.decimals)
  }

  /** What a row has to hold; undefined where the model does not say. */
  private right(address: Address): number | undefined {
    const is = trueRegisters(this.machinist.world, this.model.sheet).get(address)
    return is === undefined ? undefined : is + (this.corrections.get(address)?.by ?? 0)
  }

  private expectRow(control: ModelControl, address: Address, words: string): void {
    const is = this.right(address)
    const holds = control.registers.get(controlRow(address)) ?? NaN
    if (is === undefined || Math.abs(holds - is) <= this.slack(address)) return
    this.complain(`${words} makes ${holds} of it, not ${is}`)
  }

  private expectShown(address: Address): void {
    const register = this.setup.solution.registers.find((one) => one.address === address)
    // Somebody answers for a number that no longer holds; another tool's number may stand in the row by now.
    if (register?.stale !== undefined || address !== controlRow(address)) return
    // Raised for the dry run, it shows another number.
    if (activeLift(this.setup.document) !== undefined) return
    this.expectRow(this.control, address, `${address} is called ${register?.state}, and`)
  }

  private expectRight(address: Address, how: string): void {
    this.expectRow(this.control, address, `${address} ${how}`)
  }

  /** A circle and a turned corner are fitted; all else is exact but for the step of the display. */
  private slack(address: Address): number {
    const plan = this.model.sheet.offsets.find(
      ({ row }) => address === `${row}.X` || address === `${row}.Y`,
    )
    const fitted = plan?.X.by === 'circle' || plan?.X.by === 'turned-corner'
    return 0.51 * this.model.world.grain + (fitted ? 1500 : 1)
  }

  private happen(): void {
    const { chance } = this
    const { world } = this.machinist
    const { grain } = world
    const { offsets, tools } = this.model.sheet
    const { row } = chance.of(offsets)
    const tool = chance.of(tools).number
    const move = (changes: Partial<typeof world>) => {
      this.machinist.world = { ...this.machinist.world, ...changes }
    }
    const tell = (body: Extract<FactDraft, { kind: 'event' }>['body']) => {
      this.story.push(JSON.stringify(body))
      this.moveAway()
      this.say({ kind: 'event', body })
    }
    chance.of([
      () => {
        move({ parts: { ...world.parts, [row]: somePart(chance, grain) } })
        tell({ kind: 'part-changed', row })
      },
      () => {
        move({ plane: world.plane + some(chance, grain, -30, 30) })
        tell({ kind: 'plane-moved' })
      },
      () => {
        move({
          lengths: { ...world.lengths, [tool]: some(chance, grain, 30, 200) },
          diameters: { ...world.diameters, [tool]: 2 * some(chance, grain, 2, 10) },
        })
        this.endCorrections(tool)
        tell({ kind: 'tool-changed', tool })
      },
      () => {
        // A lift that is in it would go with the number that somebody else types there.
        if (activeLift(this.setup.document)?.where === 'external-offset') return
        const axis: Axis = chance.of(AXES)
        const value = some(chance, grain, -5, 5)
        move({ external: { ...world.external, [axis]: value } })
        this.control.external = { ...this.control.external, [axis]: value }
        tell({ kind: 'external-changed', axis, value: this.model.write(value) })
      },
    ])()
  }

  /** A row's facing, or what the drawing calls a face: known better than when the sheet was written. */
  private changeSheet(): void {
    const { chance } = this
    const { sheet, world, write } = this.model
    const { row } = chance.of(sheet.offsets)
    const facing = chance.next() < 0.6
    const offsets = sheet.offsets.map((plan) =>
      plan.row !== row
        ? plan
        : facing
          ? { ...plan, Z: { ...plan.Z, facing: write(some(chance, world.grain, 0, 2)) } }
          : { ...plan, X: { ...plan.X, drawing: write(some(chance, world.grain, -50, 50)) } },
    )
    this.model = { ...this.model, sheet: { ...sheet, offsets } }
    this.machinist = new Machinist(chance, this.model, this.machinist.world)
    this.story.push(`the sheet says another ${facing ? 'facing' : 'drawing'} of ${row}`)
    this.say({ kind: 'sheet', body: this.model.sheet as never })
  }
}

/** Somebody reads one digit wrong. */
const misread = (shown: string): string =>
  shown.replace(/\d(?=\D*$)/, (digit) => `${(Number(digit) + 3) % 10}`)

const sameQuantity = (one: object, quantity: QuantityName): boolean =>
  Object.entries(quantity).every(
    ([name, value]) => (one as Record<string, unknown>)[name] === value,
  )

/** The row of the control that holds a number; one holds those of several tools in turn. */
const controlRow = (address: string): string => address.replace(/\.T\d+$/, '')
