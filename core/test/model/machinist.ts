import type { Reading, ReadingBody } from '../../src/facts'
import type { WrittenLength } from '../../src/length'
import type { QuantityName } from '../../src/quantities'
import type { OffsetPlan, SetupSheet } from '../../src/sheet'
import type { Face, Side } from '../../src/touch'
import type { Chance } from '../random'
import { fact } from '../worked-example'
import type { ModelSheet } from './sheet'
import { countOf, gaugeFacts, type Axis, type GaugeId, type World } from './world'

/** Adds what a hand, an eye or a screw adds to a contact, in nanometres; nothing for a careful one. */
export interface Hand {
  readonly contact: (gauges: readonly string[]) => number
  /** What a dial and a micrometer add. */
  readonly dial: () => number
  readonly micrometer: () => number
}

export const CAREFUL: Hand = { contact: () => 0, dial: () => 0, micrometer: () => 0 }

type Drawn = ReadingBody
type Way = '+' | '-'

const ON_PLANE: readonly GaugeId[] = [
  'setter',
  'raised',
  'light',
  'ball',
  'block',
  'paper',
  'shim',
  'pin',
  'plate',
]
const ON_PART: readonly GaugeId[] = ['ball', 'block', 'paper', 'shim', 'pin', 'plate', 'light']
const AT_FACES: readonly GaugeId[] = ['finder', 'wobbler', 'cutter', 'sensor', 'probe', 'pin']

/** Takes the readings of a sheet in a world, the way a machinist takes them. */
export class Machinist {
  constructor(
    private readonly chance: Chance,
    private readonly model: Omit<ModelSheet, 'world'>,
    public world: World,
    private readonly hand: Hand = CAREFUL,
    /** Given, only these gauges are used, and always the usual way. */
    private readonly usual?: {
      readonly plane: string
      readonly part: string
      readonly face: string
    },
  ) {}

  private get sheet(): SetupSheet {
    return this.model.sheet
  }

  private write(nm: number): WrittenLength {
    // A hand that is not careful stands anywhere; the display shows its nearest step.
    const { grain } = this.world
    return this.model.write(this.hand === CAREFUL ? nm : Math.round(nm / grain) * grain)
  }

  /** One end of a Z contact: what lay between, and the way the screw turned last. */
  private end(onPlane: boolean) {
    const { chance, usual } = this
    const gauges: string[] = usual
      ? [onPlane ? usual.plane : usual.part].filter((id) => id !== '')
      : [chance.of(onPlane ? ON_PLANE : ON_PART)]
    if (!usual && chance.next() < 0.15) gauges.push('block')
    if (!usual && chance.next() < 0.1) gauges.length = 0
    const natural: Way = gauges.some((id) => gaugeFacts(id).rises) ? '+' : '-'
    const other = !usual && chance.next() < 0.25
    const way: Way = other ? (natural === '+' ? '-' : '+') : natural
    const said = other || (!usual && chance.next() < 0.2)
    const height =
      gauges.reduce((sum, id) => sum + countOf(this.world, id, 'Z', onPlane), 0) +
      (way === '+' ? this.world.lostMotion.Z : 0) +
      this.hand.contact(gauges)
    return { gauges, height, ...(said && { approach: way }) }
  }

  private touchZ(height: number, onPlane: boolean) {
    const { gauges, height: between, approach } = this.end(onPlane)
    return {
      read: this.write(height + between + this.world.zero.Z),
      with: gauges,
      ...(approach && { approach }),
    }
  }

  noseOnPlane(): Drawn {
    return { of: 'nose-on-plane', ...this.touchZ(this.world.plane, true) } as Drawn
  }

  tipOnPlane(tool: number): Drawn {
    const height = this.world.plane + this.world.lengths[tool]!
    return { of: 'tip-on-plane', tool, ...this.touchZ(height, true) } as Drawn
  }

  noseOnPart(row: string): Drawn {
    const spindle = { spindle: { holds: null, controlSays: null } }
    return {
      of: 'nose-on-part',
      row,
      ...spindle,
      ...this.touchZ(this.world.parts[row]!.top, false),
    } as Drawn
  }

  tipOnPart(tool: number, row: string): Drawn {
    const height = this.world.parts[row]!.top + this.world.lengths[tool]!
    // A tool with its own length active, or none at all: both are usual.
    const spindle = { holds: tool, controlSays: this.chance.of([tool, null]) }
    return { of: 'tip-on-part', tool, row, spindle, ...this.touchZ(height, false) } as Drawn
  }

  carried(row: string): Drawn {
    const [plane, part] = [this.end(true), this.end(false)]
    const zeroedOn = this.chance.of(['plane', 'part'] as const)
    const up = this.world.parts[row]!.top + part.height - (this.world.plane + plane.height)
    return {
      of: 'carried-difference',
      row,
      zeroedOn,
      read: this.write(zeroedOn === 'plane' ? up : -up),
      with: part.gauges,
      withOnPlane: plane.gauges,
      ...(part.approach && { approach: part.approach }),
      ...(plane.approach && { approachOnPlane: plane.approach }),
    } as unknown as Drawn
  }

  difference(row: string, from: string): Drawn {
    const here = this.end(false)
    const alike = !this.usual && this.chance.next() < 0.5
    const there = alike ? { ...here, height: here.height } : this.end(false)
    const zeroedOn = this.chance.of(['row', 'from'] as const)
    const up =
      this.world.parts[row]!.top + here.height - (this.world.parts[from]!.top + there.height)
    return {
      of: 'fixture-difference',
      row,
      from,
      zeroedOn,
      read: this.write(zeroedOn === 'from' ? up : -up),
      with: here.gauges,
      ...(here.approach && { approach: here.approach }),
      ...(!alike && {
        withOnFrom: there.gauges,
        ...(there.approach && { approachOnFrom: there.approach }),
      }),
    } as unknown as Drawn
  }

  diameter(tool: number): Drawn {
    return {
      of: 'tool-diameter',
      tool,
      read: this.write(this.world.diameters[tool]! + this.hand.micrometer()),
      with: [],
    } as Drawn
  }

  private sensor() {
    const { chance, usual } = this
    const gauges: string[] = [usual ? usual.face : chance.of(AT_FACES)]
    if (!usual && chance.next() < 0.15) gauges.push(chance.of(['shim', 'plate', 'paper']))
    return gauges
  }

  face(row: string, face: Face, side: Side, gauges = this.sensor()): Drawn {
    const axis: Axis = axisOf(face)
    const low = face === 'left' || face === 'front'
    // From outside a low face is met moving plus; the wall of a slot moving minus.
    const natural: Way = low === (side === 'outside') ? '+' : '-'
    const standOff = gauges.reduce((sum, id) => sum + countOf(this.world, id, axis, false), 0)
    const other = !this.usual && this.chance.next() < 0.1
    const way: Way = other ? (natural === '+' ? '-' : '+') : natural
    const spindle = this.world.parts[row]!.faces[face] - (natural === '+' ? standOff : -standOff)
    return {
      of: 'face',
      row,
      face,
      read: this.write(
        spindle +
          (way === '+' ? this.world.lostMotion[axis] : 0) +
          this.world.zero[axis] +
          this.hand.contact(gauges),
      ),
      with: gauges,
      ...(other && { approach: way }),
    } as Drawn
  }

  /** What the display shows at a place, by axis, with the way that the axis came. */
  private shown(axis: 'X' | 'Y', place: number, way: Way): number {
    return place + (way === '+' ? this.world.lostMotion[axis] : 0) + this.world.zero[axis]
  }

  private approaches(X: Way, Y: Way, natural: readonly [Way, Way]) {
    // What is not usual has to be said.
    const said = this.chance.next() < 0.3 || X !== natural[0] || Y !== natural[1]
    return said && !this.usual ? { approaches: { X, Y } } : {}
  }

  circlePoints(row: string, side: Side): readonly Drawn[] {
    const count = this.chance.whole(4, 6)
    const turn = this.chance.of([0, 0, this.chance.next()])
    const gauge = this.usual ? this.usual.face : this.chance.of(['finder', 'probe', 'sensor'])
    return Array.from({ length: count }, (_, index) =>
      this.circlePoint(row, side, index + 1, count, turn, gauge),
    )
  }

  private circlePoint(
    row: string,
    side: Side,
    point: number,
    count: number,
    turn = 0,
    gauge = 'finder',
  ): Drawn {
    const { x, y, radius } = this.world.parts[row]!.circle
    const standOff = countOf(this.world, gauge, 'X', false)
    const angle = 2 * Math.PI * (turn + (point - 1) / count)
    const [u, v] = [Math.cos(angle), Math.sin(angle)]
    const away =
      (side === 'inside' ? radius - standOff : radius + standOff) + this.hand.contact([gauge])
    // Inside the touch goes outwards, outside it comes inwards; an axis that hardly moves was only placed.
    const towards = side === 'inside' ? 1 : -1
    const way = (share: number): Way => (share * towards > 1e-6 ? '+' : '-')
    const natural = [way(u), way(v)] as const
    const other = !this.usual && this.chance.next() < 0.2
    const [X, Y] = other
      ? [this.chance.of(['+', '-'] as const), this.chance.of(['+', '-'] as const)]
      : natural
    return {
      of: 'circle-point',
      row,
      point,
      read: this.fine(this.shown('X', x + away * u, X)),
      readY: this.fine(this.shown('Y', y + away * v, Y)),
      with: [gauge],
      ...this.approaches(X, Y, natural),
    } as unknown as Drawn
  }

  /** A place that is on no step of the display is written to the nanometre: the fit is to be exact. */
  private fine(nm: number): WrittenLength {
    if (this.hand !== CAREFUL) return this.write(nm)
    return { text: `${(Math.round(nm) / 1e6).toFixed(6)}mm`, unit: this.sheet.unit }
  }

  sweep(row: string, side: Side): Drawn {
    const { chance } = this
    const { x, y, radius } = this.world.parts[row]!.circle
    const { grain } = this.world
    const at = {
      X: x + chance.whole(-40, 40) * 2 * grain,
      Y: y + chance.whole(-40, 40) * 2 * grain,
    }
    const [X, Y] = this.usual
      ? (['-', '-'] as const)
      : [chance.of(['+', '-'] as const), chance.of(['+', '-'] as const)]
    // Pushed in further where the wall is nearer to the plunger's end; a boss is looked at from outside.
    const preload = 500 * grain
    const wall = (towards: number, offset: number) =>
      side === 'inside'
        ? preload - (radius + towards * offset) + radius
        : preload + towards * offset
    const dial = (nm: number) => this.write(nm + this.hand.dial())
    return {
      of: 'sweep',
      row,
      read: this.write(this.shown('X', at.X, X)),
      readY: this.write(this.shown('Y', at.Y, Y)),
      dial: {
        right: dial(wall(1, x - at.X)),
        left: dial(wall(-1, x - at.X)),
        back: dial(wall(1, y - at.Y)),
        front: dial(wall(-1, y - at.Y)),
      },
      with: [],
      approaches: { X, Y },
    } as unknown as Drawn
  }

  /** Two touches on one face of a turned corner, one on the other. */
  corner(row: string, { X, Y }: OffsetPlan): readonly Drawn[] {
    const faces = [X, Y].map((plan) => (plan.by === 'turned-corner' ? plan.face : 'left'))
    const [base, side] = this.chance.next() < 0.5 ? [faces[1]!, faces[0]!] : [faces[0]!, faces[1]!]
    return [
      this.edgePoint(row, base, 1, faces),
      this.edgePoint(row, base, 2, faces),
      this.edgePoint(row, side, 1, faces),
    ]
  }

  private edgePoint(row: string, face: Face, point: number, faces: readonly Face[]): Drawn {
    const { corner } = this.world.parts[row]!
    const [c, s] = [Math.cos(corner.radians), Math.sin(corner.radians)]
    const runsInX = face === 'front' || face === 'back'
    // Along its face the part lies on the other side of the corner: right of a left corner, behind a front one.
    const away = (name: Face) => (name === 'left' || name === 'front' ? 1 : -1)
    const other = faces.find((one) => one !== face) ?? face
    const along = away(other) * (point === 1 ? 10e6 : 80e6)
    const gauges = this.sensor()
    const standOff =
      gauges.reduce((sum, id) => sum + countOf(this.world, id, runsInX ? 'Y' : 'X', false), 0) +
      this.hand.contact(gauges)
    const out = -away(face) * standOff
    const [a, b] = runsInX ? [along, out] : [out, along]
    const x = corner.x + a * c - b * s
    const y = corner.y + a * s + b * c
    const into: Way = away(face) > 0 ? '+' : '-'
    const natural = runsInX ? (['-', into] as const) : ([into, '-'] as const)
    const different = !this.usual && this.chance.next() < 0.2
    const [X, Y] = different
      ? [this.chance.of(['+', '-'] as const), this.chance.of(['+', '-'] as const)]
      : natural
    return {
      of: 'edge-point',
      row,
      face,
      point,
      read: this.fine(this.shown('X', x, X)),
      readY: this.fine(this.shown('Y', y, Y)),
      with: gauges,
      ...this.approaches(X, Y, natural),
    } as unknown as Drawn
  }

  /** Everything that the registers of a sheet need, once, in the order of work. */
  everything(): readonly Drawn[] {
    return [...this.heights(), ...this.sheet.offsets.flatMap((offset) => this.inPlane(offset))]
  }

  heights(): readonly Drawn[] {
    const { school, tools, offsets, reference } = this.sheet
    const [first] = offsets
    // Lengths are counted from the first part; its height may come another way than by the tools on it.
    const onPart = first!.Z.by === 'part-top'
    const ways = offsets.map(({ Z }) => Z.by)
    // By the bare nose a later part is compared with the first; a difference is counted from the plane.
    const nose = onPart
      ? ways.includes('nose-on-part') || school === 'gauge-line'
        ? [this.noseOnPart(first!.row)]
        : []
      : [this.noseOnPlane()]
    const plane = reference?.planeRow !== undefined && onPart ? [this.noseOnPlane()] : []
    const onPlane = onPart && ways.includes('carried-difference') ? [this.tipOnPlane(1)] : []
    return [
      ...nose,
      ...plane,
      ...onPlane,
      ...tools
        .filter(({ length }) => length === undefined || (onPart && school !== 'gauge-line'))
        .map(({ number }) =>
          onPart ? this.tipOnPart(number, first!.row) : this.tipOnPlane(number),
        ),
      ...offsets.flatMap((offset) => this.height(offset)),
      ...tools.flatMap(({ number, diameterRegister }) =>
        diameterRegister === undefined ? [] : [this.diameter(number)],
      ),
    ]
  }

  /** The reading of one quantity, as somebody takes it who was asked for it. */
  read(quantity: QuantityName): Drawn {
    switch (quantity.of) {
      case 'nose-on-plane':
        return this.noseOnPlane()
      case 'tip-on-plane':
        return this.tipOnPlane(quantity.tool)
      case 'nose-on-part':
        return this.noseOnPart(quantity.row)
      case 'tip-on-part':
        return this.tipOnPart(quantity.tool, quantity.row)
      case 'carried-difference':
        return this.carried(quantity.row)
      case 'fixture-difference':
        return this.difference(quantity.row, quantity.from)
      case 'tool-diameter':
        return this.diameter(quantity.tool)
      case 'sweep':
        return this.sweep(quantity.row, this.sideAt(quantity.row, 'X'))
      case 'face':
        return this.face(
          quantity.row,
          quantity.face,
          this.sideAt(quantity.row, axisOf(quantity.face)),
        )
      case 'circle-point':
        return this.circlePoint(quantity.row, this.sideAt(quantity.row, 'X'), quantity.point, 4)
      case 'edge-point': {
        const plan = this.plan(quantity.row)
        const faces = [plan.X, plan.Y].map((one) =>
          one.by === 'turned-corner' ? one.face : 'left',
        )
        return this.edgePoint(quantity.row, quantity.face, quantity.point, faces)
      }
    }
  }

  private plan(row: string): OffsetPlan {
    return this.sheet.offsets.find((one) => one.row === row)!
  }

  private sideAt(row: string, axis: 'X' | 'Y'): Side {
    const plan = this.plan(row)[axis]
    return plan.by === 'turned-corner' ? 'outside' : plan.side
  }

  height({ row, Z }: OffsetPlan): readonly Drawn[] {
    switch (Z.by) {
      case 'part-top':
        return []
      case 'carried-difference':
        return [this.carried(row)]
      case 'nose-on-part':
        return [this.noseOnPart(row)]
      case 'tool-on-part':
        return [this.tipOnPart(Z.tool, row)]
      case 'fixture-difference':
        return [this.difference(row, Z.from)]
    }
  }

  inPlane(offset: OffsetPlan): readonly Drawn[] {
    const { row, X, Y } = offset
    if (X.by === 'circle') return this.circlePoints(row, X.side)
    if (X.by === 'sweep') return [this.sweep(row, X.side)]
    if (X.by === 'turned-corner') return this.corner(row, offset)
    return [X, Y].flatMap((plan, index) => {
      const faces = index === 0 ? (['left', 'right'] as const) : (['front', 'back'] as const)
      if (plan.by === 'one-face') return [this.face(row, plan.face, plan.side)]
      if (plan.by !== 'two-faces') return []
      return this.chance
        .of([faces, [...faces].reverse()])
        .map((face) => this.face(row, face, plan.side))
    })
  }
}

const axisOf = (face: Face): 'X' | 'Y' => (face === 'left' || face === 'right' ? 'X' : 'Y')

export const asFact = (drawn: Drawn): Reading => ({ ...drawn, ...fact() }) as Reading

/** Repeats of some readings, and some that were wrong at first and were replaced. */
export function withRepeatsAndReplaced(
  chance: Chance,
  drawn: readonly Drawn[],
  again: (drawn: Drawn) => Drawn | undefined,
): readonly Reading[] {
  return drawn.flatMap((one): readonly Reading[] => {
    const reading = asFact(one)
    const luck = chance.next()
    if (luck < 0.15) {
      const repeat = again(one)
      return repeat ? [reading, asFact(repeat)] : [reading]
    }
    if (luck < 0.25 && one.of !== 'sweep' && one.of !== 'circle-point' && one.of !== 'edge-point') {
      const text = `-9${one.read.text.replace('-', '')}`
      const wrong = { ...reading, read: { ...one.read, text } }
      return [wrong, { ...asFact(one), supersedes: wrong.id, reason: 'misread' }]
    }
    return [reading]
  })
}
