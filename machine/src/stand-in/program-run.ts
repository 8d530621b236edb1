import {
  isAlarm,
  POWERED,
  Runner,
  type BlockDone,
  type Modal,
  type RunnerPorts,
  type Segment,
} from '../program'
import type { Shown } from './made'

/** Moves of a machine as its program asks for them. */
export interface Moves {
  /** Moves so long towards the end of a piece. @returns what is left of the time, and whether it arrived. */
  move(segment: Segment, milliseconds: number): { readonly left: number; readonly isThere: boolean }
  /** Takes over what a block has put in force, and changes the tool where it says so. */
  obey(modal: Modal, change: number | undefined): void
}

/** A program in a control: which block is in hand, what is left of it to move, and what it waits for. */
export class ProgramRun {
  modal: Modal = POWERED
  mode: Shown['mode'] = 'hand'
  execution: Shown['execution'] = 'ready'
  alarm: string | undefined
  private runner: Runner | undefined
  private name = ''
  private line = 1
  private waiting: Segment[] = []
  private done: BlockDone | undefined

  open(name: string, text: string, ports: RunnerPorts): void {
    this.name = name
    this.line = 1
    this.runner = new Runner(text.split(/\r?\n/), ports)
    this.runner.modal = { ...POWERED, row: this.modal.row, lengthRow: this.modal.lengthRow }
    this.end('ready')
  }

  get isOpen(): boolean {
    return this.runner !== undefined
  }

  /** The piece of a move that is being made. */
  get piece(): Segment | undefined {
    return this.waiting[0]
  }

  get shown(): NonNullable<Shown['program']> | undefined {
    return (
      this.runner && {
        name: this.name,
        line: this.line,
        block: this.runner.lines[this.line - 1] ?? '',
      }
    )
  }

  start(mode: 'program' | 'block-by-block'): void {
    this.mode = mode
    this.execution = 'active'
  }

  hold(): void {
    if (this.execution === 'active') this.execution = 'interrupted'
  }

  /** Nothing of it is left to move. */
  end(execution: Shown['execution'], alarm?: string): void {
    this.execution = execution
    this.waiting = []
    this.done = undefined
    if (alarm !== undefined) this.alarm = alarm
  }

  /** Power is gone: so is the program, and what was in force. */
  forget(): void {
    this.end('ready')
    this.runner = undefined
    this.modal = POWERED
    this.mode = 'hand'
  }

  /** Goes on for a while. Milliseconds. */
  advance(milliseconds: number, moves: Moves): void {
    let left = milliseconds
    // A block without a move takes no time: after so many of them it waits for the next call.
    for (let blocks = 0; blocks < 10_000 && left > 0 && this.execution === 'active'; blocks += 1) {
      const piece = this.piece
      if (piece === undefined) {
        if (!this.next(moves)) return
        continue
      }
      const moved = moves.move(piece, left)
      left = moved.left
      if (moved.isThere) this.waiting.shift()
    }
  }

  /** Takes the next block in hand. @returns false where the program stands still. */
  private next(moves: Moves): boolean {
    const { runner, done } = this
    if (runner === undefined) return false
    this.done = undefined
    if (done?.then === 'ends') {
      runner.finish()
      this.execution = 'ended'
      this.obeyed(runner, undefined, moves)
      return false
    }
    if (done !== undefined && (done.then === 'waits' || this.mode === 'block-by-block')) {
      this.execution = 'interrupted'
      return false
    }
    this.line = runner.line
    const next = runner.next()
    if (isAlarm(next)) {
      this.end('stopped', next.alarm)
      return false
    }
    this.obeyed(runner, next.change, moves)
    this.waiting = [...next.segments]
    this.done = next
    return true
  }

  private obeyed({ modal }: Runner, change: number | undefined, moves: Moves): void {
    this.modal = modal
    moves.obey(modal, change)
  }
}
