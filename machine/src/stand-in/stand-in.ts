import { addressIn, Counters, press, Rows, WORK_ROWS, type Pressed, type RowName } from '../control'
import { Drive, far } from '../iron'
import { AXES, Chance, mapAxes, type Axis, type Place } from '../kit'
import type { Modal, Segment } from '../program'
import { meets, sense, type Instrument, type Sensed } from '../shop'
import { crashOf, type Crash } from './crash'
import type { Shown, StandInMade } from './made'
import { positionsOf } from './positions'
import { ProgramRun } from './program-run'
import { Spindle } from './spindle'

/**
 * A machine that is not there: its axes, its control, what hangs in its spindle and what stands on its table. A person, a test or a
 * robot drives it as they would drive a real one. The same seed and the same hands give the same story; time passes by `advance`.
 */
export class StandIn {
  private readonly drive: Drive
  private readonly chance: Chance
  private readonly run = new ProgramRun()
  private isOn = true
  private emergencyStop = false
  private rapidOverride = 1
  readonly rows: Rows
  readonly counters = new Counters()
  readonly spindle: Spindle
  /** What a person holds under the tip. */
  holds: Instrument | undefined
  crash: Crash | undefined

  constructor(
    readonly made: StandInMade,
    seed: number,
  ) {
    this.chance = new Chance(seed)
    this.drive = new Drive(made.slides)
    this.spindle = new Spindle(made.tools, this.chance)
    this.rows = new Rows(made.control)
    for (const [row, value] of Object.entries(made.rows ?? {})) this.rows.write(row, value)
    this.losePower()
    this.powerOn()
  }

  // What a person does at it.

  powerOn(): void {
    this.isOn = true
  }

  /** The count of the axes is lost, and what was in force. The tables stay. */
  losePower(): void {
    this.isOn = false
    this.run.forget()
    this.spindle.turns = 0
    for (const axis of AXES) this.drive.slides[axis].losePower(0)
  }

  /** Homes every axis, Z first, or the one that is named. */
  home(only?: Axis): void {
    if (!this.isReady()) return
    for (const axis of only === undefined ? (['Z', 'X', 'Y'] as const) : [only])
      if (this.made.hasSwitches) this.drive.slides[axis].homeBySwitch(this.chance.normal(1))
  }

  /** Says what the position is here: how a machine without switches gets its zero. */
  setHere(axis: Axis, shown: number): void {
    this.drive.slides[axis].setHere(shown)
  }

  /** Puts a tool into the spindle, by its number; undefined takes it out. @param called what the control is told instead. */
  load(number: number | undefined, called: number | undefined = number): void {
    this.spindle.load(number, called)
  }

  /** Turns the hand wheel: so many clicks of a step. Nanometres. */
  click(axis: Axis, clicks: number, step: number): void {
    this.driveTo({ [axis]: this.machine[axis] + clicks * step })
  }

  /** Drives by hand to a machine position, as one does with a finger on the key: it stops where something is met. */
  driveTo(to: Partial<Place>): void {
    if (!this.isReady() || this.run.mode !== 'hand') return
    this.moveTowards({ ...this.machine, ...to }, Infinity, 'hand')
  }

  turnSpindle(turns: number): void {
    if (this.isOn && !this.emergencyStop) this.spindle.turns = turns
  }

  /** Types a number for a row, and presses a key. Nanometres. @returns false where the control has no such row. */
  key(row: RowName, pressed: Pressed): boolean {
    const address = addressIn(this.made.control, row)
    if (address === undefined || !this.isOn) return false
    const dot = address.lastIndexOf('.')
    const axis = dot < 0 ? 'Z' : (address.slice(dot + 1) as Axis)
    const work = WORK_ROWS.find((one) => one === address.slice(0, dot)) ?? this.run.modal.row
    const active = { row: work, lengthRow: this.run.modal.lengthRow, shift: 0 }
    press(this.rows, address, pressed, {
      ...{ axis, machine: this.machine[axis], counters: this.counters, active },
    })
    return true
  }

  /** Has another row, or another length, be in force, as by a block that is typed. */
  activate(part: Partial<Pick<Modal, 'row' | 'lengthRow'>>): void {
    this.run.modal = { ...this.run.modal, ...part }
  }

  pressEmergencyStop(): void {
    this.emergencyStop = true
    this.spindle.turns = 0
    this.run.end('stopped')
  }

  /** Lets the emergency stop go, or puts an alarm out. */
  release(): void {
    this.emergencyStop = false
    this.run.alarm = undefined
    this.run.execution = 'ready'
  }

  // What a program does.

  open(name: string, text: string): void {
    this.run.open(name, text, {
      rows: this.rows,
      position: () => this.machine,
      home: mapAxes((axis) => this.made.slides[axis].home ?? this.made.slides[axis].travel.max),
    })
  }

  /** Starts, or goes on. @param by all of it, or a block. */
  start(by: 'program' | 'block-by-block' = 'program'): void {
    if (!this.isReady() || !this.run.isOpen) return
    if (AXES.every((axis) => this.drive.slides[axis].isHomed)) this.run.start(by)
    else this.run.end('stopped', 'An axis is not homed.')
  }

  hold(): void {
    this.run.hold()
  }

  /** Back to the hand wheel; the program stays where it is. */
  toHand(): void {
    this.run.hold()
    this.run.mode = 'hand'
  }

  overrideRapid(share: number): void {
    this.rapidOverride = Math.min(1, Math.max(0, share))
  }

  /** Lets time pass. Milliseconds. */
  advance(milliseconds: number): void {
    this.run.advance(milliseconds, {
      move: (segment, left) => this.moveFor(segment, left),
      obey: ({ spindle, speed }, change) => {
        if (change !== undefined) this.load(change === 0 ? undefined : change)
        this.spindle.turns = spindle === 'off' ? 0 : spindle === 'forward' ? speed : -speed
      },
    })
  }

  // What one sees of it.

  get machine(): Place {
    return this.drive.machine
  }

  /** What a person notices where the tip is now. */
  sensed(): readonly Sensed[] {
    const { holds: tool, length, turns } = this.spindle
    return sense(this.made.bodies, {
      ...{ tool, length, at: this.truth, spindle: Math.abs(turns), holds: this.holds },
    })
  }

  get shown(): Shown {
    const { run, drive, rows, counters, spindle } = this
    const { modal, shown: program } = run
    return {
      ...positionsOf({ drive, modal, rows, counters, next: run.piece?.to }),
      isOn: this.isOn,
      isMoving: run.execution === 'active' && run.piece !== undefined,
      ...{ mode: run.mode, execution: run.execution, emergencyStop: this.emergencyStop },
      ...(run.alarm !== undefined && { alarm: run.alarm }),
      ...{ tool: spindle.believed, row: modal.row, lengthRow: modal.lengthRow },
      ...{ spindle: spindle.turns, rapidOverride: this.rapidOverride },
      ...(program && { program }),
      rows: rows.written(),
    }
  }

  // What is only true.

  /** Where axis and nose stand in truth: for pictures of practice, and for tests. */
  get truth(): Place {
    return this.drive.truth
  }

  private isReady(): boolean {
    const { execution } = this.run
    return this.isOn && !this.emergencyStop && this.crash === undefined && execution !== 'active'
  }

  private moveFor(segment: Segment, milliseconds: number): { left: number; isThere: boolean } {
    const speed = segment.rapid ? this.made.rapid * this.rapidOverride : (segment.feed ?? 0)
    const distance = far(this.machine, segment.to)
    if (distance === 0) return { left: milliseconds, isThere: true }
    if (speed === 0) return { left: 0, isThere: false }
    const goes = Math.min(distance, (speed / 60_000) * milliseconds)
    const isThere = this.moveTowards(segment.to, goes, segment.rapid ? 'rapid' : 'feed')
    return { left: milliseconds - (goes / speed) * 60_000, isThere }
  }

  /** Moves so far towards a displayed position. @returns whether it arrived. */
  private moveTowards(to: Place, distance: number, how: 'hand' | 'feed' | 'rapid'): boolean {
    const came = this.drive.towards(to, distance, how === 'hand', () => this.meet(how))
    if (typeof came === 'object' && 'stopped' in came && how !== 'hand')
      this.run.end('stopped', `${came.stopped} is at the end of its travel.`)
    return came === 'there'
  }

  /** Whether something is crashed into here. */
  private meet(how: 'hand' | 'feed' | 'rapid'): boolean {
    const { holds, length, turns } = this.spindle
    for (const met of meets(this.made.bodies, holds, length, this.truth)) {
      const crash = crashOf(met, how, turns)
      if (crash === undefined) continue
      this.crash = crash
      this.run.end('stopped', crash.words)
      return true
    }
    return false
  }
}
