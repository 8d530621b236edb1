import {
  checkDocument,
  type CheckOff,
  type Reading,
  type SetupDocument,
  type SetupEvent,
} from '../../src/facts'
import { type EventBody } from '../../src/facts/bodies/event'
import { type WrittenLength } from '../../src/length'
import type { Chance } from '../random'
import { checkFailed, event, fact, setupOf } from '../worked-example'
import { asFact, Machinist } from './machinist'
import { modelSheet, type ModelOptions, type ModelSheet } from './sheet'
import { AXES, GAUGE_IDS, some, somePart, type Axis, type World } from './world'

const HAPPENINGS = [
  'part',
  'plane',
  'tool',
  'home-lost',
  'home-found',
  'marks',
  'external',
  'gauge-hurt',
  'gauge-checked',
  'rebased',
  'cycle-broken',
] as const

/** A set-up over time: readings and events in any order, while the world moves for real. */
export class Timeline {
  readonly model: ModelSheet
  private readonly machinist: Machinist
  private readings: readonly Reading[] = []
  private events: readonly SetupEvent[] = []
  private checkOffs: readonly CheckOff[] = []
  /** Gauges that are not what they are marked any more, since which reading. */
  private readonly hurt = new Map<string, number>()
  /** Gauges whose cycle counts from another tool, and what they are by themselves: until the machine is homed. */
  private readonly broken = new Map<string, number>()
  /** What each gauge is taken to be where its check is passed. */
  private marked: World['gauges']
  /** Zero of the machine when its marks were last written down, and when home was last lost. */
  private atMarks: World['zero'] | undefined
  private beforeLoss: World['zero'] | undefined
  private atHome: World['zero']

  constructor(
    private readonly chance: Chance,
    options: ModelOptions = {},
  ) {
    this.model = modelSheet(chance, options)
    this.machinist = new Machinist(chance, this.model, this.model.world)
    this.marked = this.model.world.gauges
    this.atHome = this.model.world.zero
  }

  get world(): World {
    return this.machinist.world
  }

  get document(): SetupDocument {
    return {
      ...setupOf(this.model.sheet, this.readings),
      events: this.events,
      checkOffs: this.checkOffs,
    }
  }

  /** Everything that was wrong with a gauge comes out in the end. */
  run(steps: number): void {
    for (let step = 0; step < steps; step += 1)
      if (this.chance.next() < 0.6) this.readSome()
      else this.happen(this.chance.of(HAPPENINGS))
    if (this.chance.next() < 0.5) this.readSome()
    for (const gauge of [...this.hurt.keys()]) this.checkGauge(gauge)
  }

  private readSome(): void {
    const all = this.machinist.everything()
    const share = this.chance.of([0.2, 0.5, 1])
    this.readings = [...this.readings, ...all.filter(() => this.chance.next() < share).map(asFact)]
  }

  private move(changes: Partial<World>): void {
    this.machinist.world = { ...this.world, ...changes }
  }

  private tell(body: EventBody): void {
    this.events = [...this.events, event(body)]
  }

  private anywhere(): World['zero'] {
    const at = () => some(this.chance, this.world.grain, -20, 20)
    return { X: at(), Y: at(), Z: at() }
  }

  private happen(what: (typeof HAPPENINGS)[number]): void {
    const { chance, world, model } = this
    const { sheet, write } = model
    const { row } = chance.of(sheet.offsets)
    const tool = chance.of(sheet.tools).number
    switch (what) {
      case 'part':
        this.move({ parts: { ...world.parts, [row]: somePart(chance, world.grain) } })
        return this.tell({ kind: 'part-changed', row })
      case 'plane':
        this.move({ plane: world.plane + some(chance, world.grain, -30, 30) })
        return this.tell({ kind: 'plane-moved' })
      case 'tool':
        this.move({
          lengths: { ...world.lengths, [tool]: some(chance, world.grain, 30, 200) },
          diameters: { ...world.diameters, [tool]: 2 * some(chance, world.grain, 2, 10) },
        })
        return this.tell({ kind: 'tool-changed', tool })
      case 'home-lost':
        this.beforeLoss = world.zero
        this.atHome = this.atMarks ?? world.zero
        this.move({ zero: this.anywhere() })
        return this.tell({ kind: 'home-lost' })
      case 'home-found': {
        if (this.beforeLoss === undefined) return
        // The marks were written down in the frame of the last home with marks, else in the one that was lost last.
        const was = this.atMarks === undefined ? this.beforeLoss : this.atHome
        // Each axis by its own marks: one that is not found again stands as it has since the loss.
        const found = AXES.filter(() => chance.next() < 0.7)
        const anew = this.anywhere()
        const of = <T>(value: (axis: Axis) => T) =>
          Object.fromEntries(found.map((axis) => [axis, value(axis)]))
        this.move({ zero: { ...world.zero, ...of((axis) => anew[axis]) } })
        const shift = of((axis): WrittenLength => write(this.world.zero[axis] - was[axis]))
        this.tell({ kind: 'home-recovered', shift })
        return this.writeMarks()
      }
      case 'marks':
        return this.writeMarks()
      case 'external': {
        const axis = chance.of(AXES)
        const value = some(chance, world.grain, -5, 5)
        this.move({ external: { ...world.external, [axis]: value } })
        return this.tell({ kind: 'external-changed', axis, value: write(value) })
      }
      case 'gauge-hurt': {
        const gauge = chance.of(GAUGE_IDS)
        if (this.hurt.has(gauge) || this.broken.has(gauge)) return
        this.hurt.set(gauge, this.readings.length)
        return this.move({
          gauges: { ...world.gauges, [gauge]: world.gauges[gauge]! + 4 * world.grain },
        })
      }
      case 'gauge-checked':
        return this.checkGauge(chance.of(GAUGE_IDS))
      case 'cycle-broken': {
        const gauge = chance.of(GAUGE_IDS)
        if (this.hurt.has(gauge) || this.broken.has(gauge)) return
        this.broken.set(gauge, world.gauges[gauge]!)
        const off = some(chance, world.grain, 5, 40)
        this.move({ gauges: { ...world.gauges, [gauge]: world.gauges[gauge]! + off } })
        return this.tell({ kind: 'cycle-broken', gauge })
      }
      case 'rebased': {
        const before = this.events
        this.tell({ kind: 'rebased', tool })
        // Without a touch before the move and one after it the API refuses it.
        if (checkDocument(this.document).length > 0) this.events = before
        return
      }
    }
  }

  /** Dials and scales are written down as they stand. */
  private writeMarks(): void {
    if (this.chance.next() < 0.5) return
    const mark = { dial: this.model.write(0), coarse: this.model.write(0) }
    this.atMarks = this.world.zero
    this.move({ gauges: { ...this.world.gauges, ...Object.fromEntries(this.broken) } })
    this.broken.clear()
    this.checkOffs = [
      ...this.checkOffs,
      {
        ...fact(),
        of: 'home',
        marks: { X: mark, Y: mark, Z: mark },
      },
    ]
  }

  /** A gauge that is not what it is marked is found out, and taken back to what it is marked. */
  private checkGauge(gauge: string): void {
    const since = this.hurt.get(gauge)
    if (since === undefined) return
    this.hurt.delete(gauge)
    const known = this.chance.whole(0, since)
    this.events = [...this.events, checkFailed(gauge, this.readings[known - 1])]
    if (this.chance.next() < 0.5) {
      // It is kept as it is now, and measured. Since when it was so is known only where its last good check came right before.
      const is = this.world.gauges[gauge]!
      this.marked = { ...this.marked, [gauge]: is }
      return this.tell({
        kind: 'gauge-measured',
        gauge,
        size: this.model.write(is),
        since: known === since && this.chance.next() < 0.7 ? 'last-good' : 'now',
      })
    }
    this.move({ gauges: { ...this.world.gauges, [gauge]: this.marked[gauge]! } })
  }
}
