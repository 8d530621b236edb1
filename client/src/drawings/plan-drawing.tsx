import { useMemo } from 'react'
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg'
import { View } from '@tamagui/core'
import { layoutPlan, type PlacedFace, type PlacedPlan, type PlanView } from '@pine/core/picture'
import { speakPlan } from '@pine/core/words'
import type { Roles } from '@/theme/roles'
import { useRoles } from '@/theme/use-roles'
import { useWidth } from './use-width'

const MONO = 'Atkinson Hyperlegible Mono'
const WORDS = 'Atkinson Hyperlegible Next'
/** Room for the sensor and its arrow around the part. */
const MARGIN = 46

export interface PlanDrawingProps {
  readonly plan: PlanView
  readonly height: number
  /** `tool moves X+`, said beside the arrow. */
  readonly approach?: string | undefined
  /** The size that two faces imply, written under the part. */
  readonly size?:
    { readonly text: string; readonly agrees: boolean; readonly axis: 'X' | 'Y' } | undefined
}

/** The part from above: faces, the sensor on the one to touch, its way, and the program's zero. */
export function PlanDrawing({ plan, height, approach, size }: PlanDrawingProps) {
  const roles = useRoles()
  const { width, onLayout } = useWidth(358)
  const placed = useMemo(
    () => layoutPlan(plan, { width, height, margin: MARGIN }),
    [plan, width, height],
  )
  const { part } = placed
  return (
    <View onLayout={onLayout} height={height} role="img" aria-label={speakPlan(plan)}>
      <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
        <Rect x={part.x} y={part.y} width={part.width} height={part.height} fill={roles.stock} />
        {placed.circle === undefined &&
          placed.faces.map((face) => <FaceLine key={face.face} face={face} roles={roles} />)}
        <AxisHint roles={roles} height={height} />
        {approach && (
          <SvgText
            x={width - 10}
            y={20}
            textAnchor="end"
            fontFamily={WORDS}
            fontSize={14}
            fontWeight="500"
            fill={roles.act}
          >
            {approach}
          </SvgText>
        )}
        {placed.circle && (
          <Circle
            cx={placed.circle.x}
            cy={placed.circle.y}
            r={placed.circle.radius}
            fill={roles.card}
            stroke={roles.ink}
            strokeWidth={2}
          />
        )}
        <ZeroMark {...placed.zero} named={placed.circle === undefined} roles={roles} />
        {placed.touches.map((touch, index) =>
          touch.role === 'next' ? (
            <Sensor key={index} sensor={touch} roles={roles} />
          ) : (
            <Circle
              key={index}
              cx={touch.x}
              cy={touch.y}
              r={touch.radius}
              fill={touch.role === 'read' ? roles.readPaper : 'none'}
              stroke={touch.role === 'read' ? roles.read : roles.edge}
              strokeWidth={2}
              strokeDasharray={touch.role === 'read' ? undefined : '4 4'}
            />
          ),
        )}
        {placed.sensor && <Sensor sensor={placed.sensor} roles={roles} />}
        {size && <SizeLine size={size} placed={placed} roles={roles} />}
      </Svg>
    </View>
  )
}

function FaceLine({ face: { role, x1, y1, x2, y2 }, roles }: { face: PlacedFace; roles: Roles }) {
  const stroke = role === 'next' ? roles.act : role === 'read' ? roles.read : roles.edge
  return (
    <Line
      x1={x1}
      y1={y1}
      x2={x2}
      y2={y2}
      stroke={stroke}
      strokeWidth={role === 'next' ? 6 : role === 'read' ? 4 : 1.5}
      strokeDasharray={role === 'to-touch' ? '6 5' : undefined}
    />
  )
}

/** Program zero: our own mark, a small four-pointed needle. */
export function ZeroMark({
  x,
  y,
  named,
  roles,
}: {
  readonly x: number
  readonly y: number
  /** Among the touches of a bore there is no room for its name. */
  readonly named: boolean
  readonly roles: Roles
}) {
  return (
    <G>
      <Path
        d={`M${x} ${y - 13} L${x + 3.5} ${y - 3.5} L${x + 13} ${y} L${x + 3.5} ${y + 3.5} L${x} ${y + 13} L${x - 3.5} ${y + 3.5} L${x - 13} ${y} L${x - 3.5} ${y - 3.5} Z`}
        fill={roles.ink}
        stroke={roles.card}
        strokeWidth={1}
      />
      {named && (
        <SvgText
          x={x + 12}
          y={y - 9}
          fontFamily={MONO}
          fontSize={13}
          fontWeight="600"
          fill={roles.ink}
        >
          X0 Y0
        </SvgText>
      )}
    </G>
  )
}

function AxisHint({ roles, height }: { roles: Roles; height: number }) {
  const [x, y] = [18, height - 16]
  return (
    <G>
      <Path
        d={`M${x} ${y - 22} V${y} H${x + 22} M${x - 3} ${y - 18} L${x} ${y - 23} L${x + 3} ${y - 18} M${x + 18} ${y - 3} L${x + 23} ${y} L${x + 18} ${y + 3}`}
        stroke={roles.inkSoft}
        strokeWidth={1.5}
        fill="none"
      />
      <SvgText x={x + 28} y={y + 4} fontFamily={WORDS} fontSize={12} fill={roles.inkSoft}>
        X
      </SvgText>
      <SvgText x={x - 4} y={y - 27} fontFamily={WORDS} fontSize={12} fill={roles.inkSoft}>
        Y
      </SvgText>
    </G>
  )
}

function Sensor({ sensor, roles }: { sensor: NonNullable<PlacedPlan['sensor']>; roles: Roles }) {
  const { x, y, radius, dx, dy } = sensor
  // The arrow ends at the sensor's rim and points the way the tool moves.
  const tip = { x: x - dx * (radius + 5), y: y - dy * (radius + 5) }
  const tail = { x: tip.x - dx * 24, y: tip.y - dy * 24 }
  const side = { x: -dy, y: dx }
  const barb = (sign: 1 | -1) =>
    `${tip.x - dx * 8 + side.x * 6 * sign} ${tip.y - dy * 8 + side.y * 6 * sign}`
  return (
    <G>
      <Circle cx={x} cy={y} r={radius} fill={roles.card} stroke={roles.act} strokeWidth={3} />
      <Circle cx={x} cy={y} r={2.5} fill={roles.act} />
      <Path
        d={`M${tail.x} ${tail.y} L${tip.x} ${tip.y} M${barb(1)} L${tip.x} ${tip.y} L${barb(-1)}`}
        stroke={roles.act}
        strokeWidth={3}
        fill="none"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </G>
  )
}

function SizeLine({
  size: { text, agrees, axis },
  placed,
  roles,
}: {
  size: NonNullable<PlanDrawingProps['size']>
  placed: PlacedPlan
  roles: Roles
}) {
  const faceX = placed.faces.filter(({ x1, x2 }) => x1 === x2).map(({ x1 }) => x1)
  const faceY = placed.faces.filter(({ y1, y2 }) => y1 === y2).map(({ y1 }) => y1)
  const { part } = placed
  const colour = agrees ? roles.ink : roles.wrong
  if (axis === 'X') {
    const [from, to, y] = [Math.min(...faceX), Math.max(...faceX), part.y + part.height + 20]
    return (
      <G>
        <Path
          d={`M${from} ${y} H${to} M${from + 7} ${y - 4} L${from} ${y} L${from + 7} ${y + 4} M${to - 7} ${y - 4} L${to} ${y} L${to - 7} ${y + 4}`}
          stroke={colour}
          strokeWidth={1.5}
          fill="none"
        />
        <Rect x={(from + to) / 2 - 44} y={y - 10} width={88} height={20} fill={roles.card} />
        <SvgText
          x={(from + to) / 2}
          y={y + 5}
          textAnchor="middle"
          fontFamily={MONO}
          fontSize={15}
          fontWeight="600"
          fill={colour}
        >
          {text}
        </SvgText>
      </G>
    )
  }
  const [from, to, x] = [Math.min(...faceY), Math.max(...faceY), part.x + part.width + 18]
  return (
    <G>
      <Path
        d={`M${x} ${from} V${to} M${x - 4} ${from + 7} L${x} ${from} L${x + 4} ${from + 7} M${x - 4} ${to - 7} L${x} ${to} L${x + 4} ${to - 7}`}
        stroke={colour}
        strokeWidth={1.5}
        fill="none"
      />
      <SvgText
        x={x + 6}
        y={(from + to) / 2 + 5}
        fontFamily={MONO}
        fontSize={14}
        fontWeight="600"
        fill={colour}
      >
        {text}
      </SvgText>
    </G>
  )
}
