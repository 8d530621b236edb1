import { View as Plain } from 'react-native'
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg'
import { layoutProof } from '@pine/core/picture'
import type { ProofMove } from '@pine/core/proof'
import type { Roles } from '@/theme/roles'
import { useRoles } from '@/theme/use-roles'
import { Tool } from './ladder-bodies'
import { ZeroMark } from './plan-drawing'
import { useWidth } from './use-width'

const MONO = 'Atkinson Hyperlegible Mono'
/** Length of the tool as it is drawn, from the holder to the tip. */
const TOOL = 40

export interface ProofDrawingProps {
  readonly move: ProofMove
  readonly tool: number
  /** What may pass beneath, with its unit. */
  readonly block: string
  readonly height: number
}

/** The cautious move from the side: up, across, and down until the block just passes. */
export function ProofDrawing({ move, tool, block, height }: ProofDrawingProps) {
  const roles = useRoles()
  const { width, onLayout } = useWidth(358)
  const { zero, ends, raised } = layoutProof(move, { top: TOOL + 16, bottom: height - 26 })
  const from = width * 0.2
  const over = width * 0.6
  return (
    <Plain onLayout={onLayout} style={{ height }}>
      <Plain
        role="img"
        aria-label={`T${tool} goes up, then across to over zero, then down until ${block} just passes beneath it`}
      >
        <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
          <Rect x={width * 0.4} y={zero} width={width * 0.5} height={26} fill={roles.stock} />
          <Line
            x1={width * 0.4}
            x2={width * 0.9}
            y1={zero}
            y2={zero}
            stroke={roles.read}
            strokeWidth={1.5}
          />
          <Rect
            x={over - 30}
            y={ends}
            width={60}
            height={zero - ends}
            rx={4}
            fill={roles.gauge}
            stroke={roles.cautionMark}
            strokeWidth={1.5}
          />
          <SvgText
            x={over + 40}
            y={(ends + zero) / 2 + 5}
            fontFamily={MONO}
            fontSize={14}
            fontWeight="600"
            fill={roles.ink}
          >
            {block}
          </SvgText>
          <ZeroMark x={over} y={zero} named={false} roles={roles} />
          <Way from={from} over={over} raised={raised} ends={ends} roles={roles} />
          <G opacity={0.35}>
            <Tool centre={from} tip={raised} nose={raised - TOOL} roles={roles} />
          </G>
          <Tool centre={over} tip={ends - 2} nose={ends - 2 - TOOL} roles={roles} />
        </Svg>
      </Plain>
    </Plain>
  )
}

/** The way of the tip, in the order in which its blocks are typed. */
function Way({
  from,
  over,
  raised,
  ends,
  roles,
}: {
  readonly from: number
  readonly over: number
  readonly raised: number
  readonly ends: number
  readonly roles: Roles
}) {
  const low = Math.min(raised + 60, ends)
  // Beside the tool, which hides its own way down.
  const beside = over + 48
  const steps = [
    { x: from, y: (low + raised) / 2 + 6, is: '1' },
    { x: (from + over) / 2, y: raised, is: '2' },
    { x: beside, y: (raised + ends) / 2 - 16, is: '3' },
  ]
  return (
    <G>
      <Path
        d={`M${from} ${low} V${raised} H${over}`}
        fill="none"
        stroke={roles.act}
        strokeWidth={2}
        strokeDasharray="6 5"
      />
      <Path
        d={`M${beside} ${raised - 26} V${ends - 4} m-5 -8 l5 8 l5 -8`}
        fill="none"
        stroke={roles.act}
        strokeWidth={2}
      />
      {steps.map(({ x, y, is }) => (
        <G key={is}>
          <Circle cx={x} cy={y} r={10} fill={roles.card} stroke={roles.act} strokeWidth={1.5} />
          <SvgText
            x={x}
            y={y + 4.5}
            textAnchor="middle"
            fontFamily={MONO}
            fontSize={13}
            fontWeight="700"
            fill={roles.act}
          >
            {is}
          </SvgText>
        </G>
      ))}
    </G>
  )
}
