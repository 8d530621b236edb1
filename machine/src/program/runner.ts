import { AXES, mapAxes, type Axis, type Place } from '../kit'
import { alarm, isAlarm, type Alarm } from './alarm'
import { arcTo, PlaneWords } from './arc'
import { drill } from './drill'
import { isTaken, takeModal } from './g-words'
import { POWERED, type Modal } from './modal'
import { offsetBlock } from './offset-block'
import type { RunnerPorts, Segment } from './ports'
import { readBlock, type Word } from './words'

/** What a block comes to. */
export interface BlockDone {
  readonly segments: readonly Segment[]
  /** Tool to change to, before it moves. */
  readonly change?: number
  /** Whether the program waits for a start, or is over, when it has moved. */
  readonly then: 'goes-on' | 'waits' | 'ends'
}

/** Reads a program block by block, as a control does. It moves nothing by itself. */
export class Runner {
  modal: Modal = POWERED
  private at = 0
  private readonly calls: { back: number; left: number; start: number }[] = []

  constructor(
    readonly lines: readonly string[],
    private readonly ports: RunnerPorts,
  ) {}

  /** The line that comes next, from 1. */
  get line(): number {
    return this.at + 1
  }

  get isOver(): boolean {
    return this.at >= this.lines.length
  }

  /** Does one block. An alarm leaves everything as it was before it, and the program there. */
  next(): BlockDone | Alarm {
    const words = readBlock(this.lines[this.at] ?? '')
    if (isAlarm(words)) return words
    const before = this.modal
    const done = this.block(words)
    if (isAlarm(done)) this.modal = before
    return done
  }

  /** It is over, and has moved: what M2 and M30 put back (NISTIR 6556, 3.6.1, from memory). */
  finish(): void {
    const { unit, speed, selected } = this.modal
    this.modal = { ...POWERED, unit, speed, selected }
  }

  private block(words: readonly Word[]): BlockDone | Alarm {
    const unknown = words.find((word) => !isTaken(word))
    if (unknown !== undefined)
      return alarm(`${unknown.letter}${unknown.text} is not known to this control.`)
    const taken = takeModal(this.modal, words)
    if (isAlarm(taken)) return taken
    this.modal = taken
    const g = new Set(words.filter(({ letter }) => letter === 'G').map(({ value }) => value))
    const m = words.filter(({ letter }) => letter === 'M').map(({ value }) => value)
    const shifted = this.shifts(g, words)
    if (isAlarm(shifted)) return shifted
    if (g.has(10)) {
      const wrong = offsetBlock(this.ports, this.modal, words)
      if (wrong !== undefined) return wrong
      return this.on([], m)
    }
    if (m.includes(6) && this.modal.selected === undefined) return alarm('M6 without a tool.')
    const change = m.includes(6) ? { change: this.modal.selected ?? 0 } : {}
    const segments = shifted ? [] : this.moves(g, words)
    if (isAlarm(segments)) return segments
    const jumped = this.jump(m, words)
    if (isAlarm(jumped)) return jumped
    return { ...(jumped ?? this.on(segments, m)), segments, ...change }
  }

  /** On to the next line, or to the end. */
  private on(segments: readonly Segment[], m: readonly number[]): BlockDone {
    this.at += 1
    if (m.includes(2) || m.includes(30) || this.isOver) {
      this.at = this.lines.length
      return { segments, then: 'ends' }
    }
    return { segments, then: m.includes(0) || m.includes(1) ? 'waits' : 'goes-on' }
  }

  private jump(m: readonly number[], words: readonly Word[]): BlockDone | Alarm | undefined {
    if (m.includes(98)) {
      const number = words.find(({ letter }) => letter === 'P')?.value
      const start = this.lines.findIndex((line) => Number(/^\s*O(\d+)/i.exec(line)?.[1]) === number)
      if (start < 0) return alarm(`There is no program O${number} in this file.`)
      if (this.calls.length === 8) return alarm('Programs call each other too deep.')
      const left = words.find(({ letter }) => letter === 'L')?.value ?? 1
      this.calls.push({ back: this.at + 1, left, start })
      this.at = start + 1
      return { segments: [], then: 'goes-on' }
    }
    if (!m.includes(99)) return undefined
    const call = this.calls.at(-1)
    if (call === undefined) return alarm('M99 with nothing to go back to.')
    call.left -= 1
    if (call.left > 0) this.at = call.start + 1
    else {
      this.calls.pop()
      this.at = call.back
    }
    return { segments: [], then: 'goes-on' }
  }

  /** G52 and G92. @returns whether the axes of the block were theirs. */
  private shifts(g: ReadonlySet<number>, words: readonly Word[]): boolean | Alarm {
    if (g.has(92.1) || g.has(92.2)) {
      this.modal = { ...this.modal, shift: { X: 0, Y: 0, Z: 0 } }
      return true
    }
    if (!g.has(52) && !g.has(92)) return false
    const at = this.ports.position()
    const shift = { ...this.modal.shift }
    for (const axis of AXES) {
      const said = this.lengthOf(words, axis)
      if (said === undefined) continue
      const bare = this.total(axis) - this.modal.shift[axis]
      shift[axis] = g.has(52) ? said : at[axis] - bare - said
    }
    this.modal = { ...this.modal, shift }
    return true
  }

  private moves(g: ReadonlySet<number>, words: readonly Word[]): readonly Segment[] | Alarm {
    const said = mapAxes((axis) => this.lengthOf(words, axis))
    const isSaid = AXES.some((axis) => said[axis] !== undefined)
    const from = this.ports.position()
    if (g.has(28) || g.has(30)) {
      const by = mapAxes((axis) =>
        said[axis] === undefined ? from[axis] : this.target(axis, said, from),
      )
      const home = mapAxes((axis) =>
        isSaid && said[axis] === undefined ? from[axis] : this.ports.home[axis],
      )
      return [
        { to: by, rapid: true },
        { to: home, rapid: true },
      ]
    }
    if (!isSaid)
      return this.modal.motion === 2 || this.modal.motion === 3 ? this.arc(words, from) : []
    if (g.has(53)) {
      if (this.modal.motion > 1) return alarm('G53 goes with G0 or G1 alone.')
      return this.straight(mapAxes((axis) => said[axis] ?? from[axis]))
    }
    const to = mapAxes((axis) => this.target(axis, said, from))
    if (this.modal.motion >= 80) return this.cycle(words, to, from)
    return this.modal.motion >= 2 ? this.arc(words, from, to) : this.straight(to)
  }

  private straight(to: Place): readonly Segment[] | Alarm {
    if (this.modal.motion === 0) return [{ to, rapid: true }]
    const { feed } = this.modal
    return feed === undefined ? alarm('G1 without a feed.') : [{ to, rapid: false, feed }]
  }

  private arc(words: readonly Word[], from: Place, to: Place = from): readonly Segment[] | Alarm {
    const { feed, motion } = this.modal
    const offsets = new PlaneWords(words, (word) => this.nm(word.value))
    if (!offsets.isSaid) return to === from ? [] : alarm('An arc without I, J or R.')
    if (feed === undefined) return alarm('G2 or G3 without a feed.')
    const places = arcTo(from, to, offsets, motion === 2 ? -1 : 1)
    return isAlarm(places) ? places : places.map((place) => ({ to: place, rapid: false, feed }))
  }

  private cycle(words: readonly Word[], to: Place, from: Place): readonly Segment[] | Alarm {
    const { feed, motion, returns, isAbsolute } = this.modal
    if (motion === 80) return alarm('Axes are named, and no motion is in force.')
    if (feed === undefined) return alarm('A cycle without a feed.')
    const said = (['Z', 'R', 'Q'] as const).flatMap((letter) => {
      const length = this.lengthOf(words, letter)
      return length === undefined ? [] : [[letter, length] as const]
    })
    const hole: Modal['hole'] = { ...this.modal.hole, ...Object.fromEntries(said) }
    this.modal = { ...this.modal, hole }
    const { Z, R, Q } = hole
    if (R === undefined || Z === undefined) return alarm('A cycle without R and Z.')
    const retract = isAbsolute ? this.total('Z') + R : from.Z + R
    const bottom = isAbsolute ? this.total('Z') + Z : retract + Z
    const step = motion === 83 ? Q : undefined
    return drill({ from, to, retract, bottom, feed, returns, step })
  }

  private target(axis: Axis, said: Record<Axis, number | undefined>, from: Place): number {
    const number = said[axis]
    if (number === undefined) return from[axis]
    return this.modal.isAbsolute ? this.total(axis) + number : from[axis] + number
  }

  private total(axis: Axis): number {
    const { row, lengthRow, shift } = this.modal
    return this.ports.rows.total(axis, { row, lengthRow, shift: shift[axis] })
  }

  private lengthOf(words: readonly Word[], letter: string): number | undefined {
    const word = words.find((one) => one.letter === letter)
    return word && this.nm(word.value)
  }

  private nm(value: number): number {
    return Math.round(value * (this.modal.unit === 'mm' ? 1_000_000 : 25_400_000))
  }
}
