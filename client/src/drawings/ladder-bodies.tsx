import { G, Path, Rect } from 'react-native-svg'
import { rungAt, type Ladder, type PlacedRung } from '@pine/core/picture'
import type { Roles } from '@/theme/roles'

/** Where the rungs begin and end, in pixels. */
export interface Inner {
  readonly left: number
  readonly right: number
}

/** The part hangs from its top; under the plane lies what the setter stands on. */
export function Ground({
  placed,
  inner,
  height,
  roles,
  onPart,
}: {
  placed: readonly PlacedRung[]
  inner: Inner
  height: number
  roles: Roles
  onPart: boolean
}) {
  const plane = rungAt(placed, 'plane')
  const top = rungAt(placed, 'part-top')
  const across = inner.right - inner.left
  const from = inner.left + across * (onPart ? 0.5 : 0.76)
  return (
    <G>
      {plane && (
        <Rect
          x={inner.left}
          y={plane.y}
          width={across * (onPart ? 0.46 : 0.7)}
          height={Math.max(height - plane.y, 0)}
          fill={roles.metal}
          opacity={0.45}
        />
      )}
      {top && (
        <Rect
          x={from}
          y={top.y}
          width={inner.right - 6 - from}
          height={Math.max(height - top.y, 0)}
          fill={roles.stock}
          stroke={roles.read}
          strokeWidth={1.5}
          strokeDasharray={top.rung.guessed ? '5 5' : undefined}
        />
      )}
    </G>
  )
}

/** The tool or the bare nose on what it touches, and the gauge beneath. */
export function Body({
  ladder,
  placed,
  inner,
  roles,
  onPart,
}: {
  ladder: Ladder
  placed: readonly PlacedRung[]
  inner: Inner
  roles: Roles
  onPart: boolean
}) {
  if (ladder.body === 'none') return null
  const contact = rungAt(placed, ladder.body === 'tool' ? 'tip' : 'nose')
  if (contact === undefined) return null
  const ground = onPart ? rungAt(placed, 'part-top') : rungAt(placed, 'plane')
  const centre = inner.left + (inner.right - inner.left) * (onPart ? 0.74 : 0.56)
  const nose = ladder.body === 'tool' ? rungAt(placed, 'nose') : contact
  return (
    <G>
      {ground && ground.y > contact.y && (
        <Rect
          x={centre - 30}
          y={contact.y}
          width={60}
          height={ground.y - contact.y}
          rx={Math.min(4, (ground.y - contact.y) / 3)}
          fill={roles.gauge}
          stroke={roles.cautionMark}
          strokeWidth={1.5}
        />
      )}
      {ladder.body === 'tool' ? (
        <Tool centre={centre} tip={contact.y} nose={nose?.y} roles={roles} />
      ) : (
        <Nose centre={centre} y={contact.y} roles={roles} />
      )}
    </G>
  )
}

function Nose({ centre, y, roles }: { centre: number; y: number; roles: Roles }) {
  return (
    <Path
      d={`M${centre - 34} ${y - 46} H${centre + 34} V${y - 14} L${centre + 24} ${y} H${centre - 24} L${centre - 34} ${y - 14} Z`}
      fill={roles.metal}
      stroke={roles.ink}
      strokeWidth={1.5}
    />
  )
}

/** Holder and tool from the nose to the tip; with a torn edge where the length is not known. */
export function Tool({
  centre,
  tip,
  nose,
  roles,
}: {
  centre: number
  tip: number
  nose: number | undefined
  roles: Roles
}) {
  const top = nose ?? tip - 52
  const holder = Math.min(26, (tip - top) * 0.4)
  const torn = `M${centre - 26} ${top} l6 -5 l8 7 l8 -7 l8 7 l8 -7 l8 7 l6 -5`
  return (
    <G>
      <Path
        d={`M${centre - 26} ${top} H${centre + 26} V${top + holder * 0.6} L${centre + 16} ${top + holder} H${centre - 16} L${centre - 26} ${top + holder * 0.6} Z`}
        fill={roles.metal}
        stroke={roles.ink}
        strokeWidth={1.5}
      />
      <Rect
        x={centre - 8}
        y={top + holder}
        width={16}
        height={Math.max(tip - top - holder, 0)}
        fill={roles.card}
        stroke={roles.ink}
        strokeWidth={1.5}
      />
      <Path
        d={`M${centre - 8} ${tip - Math.min(18, (tip - top) * 0.3)} l16 -7`}
        stroke={roles.ink}
        strokeWidth={1.2}
      />
      {nose === undefined && <Path d={torn} fill="none" stroke={roles.ink} strokeWidth={1.5} />}
      {nose !== undefined && <Nose centre={centre} y={top} roles={roles} />}
    </G>
  )
}
