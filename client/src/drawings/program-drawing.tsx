import { useMemo } from 'react'
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg'
import { View } from 'react-native'
import { placeProgramView, type PlacedView, type ProgramView } from '@pine/core/picture'
import type { Roles } from '@/theme/roles'
import { useRoles } from '@/theme/use-roles'
import { useWidth } from './use-width'

const WORDS = 'Atkinson Hyperlegible Next'
const MONO = 'Atkinson Hyperlegible Mono'
const MARGIN = 34

export interface ProgramDrawingProps {
  readonly view: ProgramView
  /** From above, or from the front. */
  readonly up: 'Y' | 'Z'
  readonly height: number
  /** The operation that is looked at; all of them where none is. */
  readonly tool: number | undefined
  readonly label: string
}

/** What the program reaches on the part, what holds it and the travels, to scale. */
export function ProgramDrawing({ view, up, height, tool, label }: ProgramDrawingProps) {
  const roles = useRoles()
  const { width, onLayout } = useWidth(350)
  const placed = useMemo(
    () => placeProgramView(view, up, { width, height, margin: MARGIN }),
    [view, up, width, height],
  )
  return (
    <View onLayout={onLayout} style={{ height }}>
      <View role="img" aria-label={label}>
        <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
          <Held placed={placed} roles={roles} width={width} height={height} />
          {placed.operations.map((box, index) => {
            const chosen = tool === undefined || box.tool === tool
            return (
              <Rect
                key={index}
                x={box.left}
                y={box.top}
                width={box.width}
                height={box.height}
                fill={chosen ? roles.act : 'none'}
                fillOpacity={0.12}
                stroke={chosen ? roles.act : roles.edge}
                strokeWidth={chosen ? 2 : 1}
                strokeDasharray={chosen ? undefined : '3 4'}
              />
            )
          })}
          <Zero placed={placed} up={up} roles={roles} width={width} height={height} />
          <SvgText x={10} y={18} fontFamily={WORDS} fontSize={13} fill={roles.inkSoft}>
            {up === 'Y' ? 'from above' : 'from the front'}
          </SvgText>
        </Svg>
      </View>
    </View>
  )
}

interface PartProps {
  readonly placed: PlacedView
  readonly roles: Roles
  readonly width: number
  readonly height: number
}

/** The raw part between the jaws, and where the machine ends. */
function Held({ placed: { part, jaws, ends }, roles, width, height }: PartProps) {
  return (
    <G>
      {part && (
        <Rect
          x={part.left}
          y={part.top}
          width={part.width}
          height={part.height}
          fill={roles.stock}
          stroke={roles.read}
          strokeWidth={1.5}
        />
      )}
      {part && jaws !== undefined && (
        <G>
          {[part.left - 26, part.left + part.width].map((x) => (
            <Rect
              key={x}
              x={x}
              y={jaws}
              width={26}
              height={Math.max(height - jaws, 0)}
              fill={roles.metal}
              stroke={roles.ink}
              strokeWidth={1}
            />
          ))}
          <SvgText
            x={part.left + part.width + 6}
            y={jaws - 5}
            fontFamily={WORDS}
            fontSize={12}
            fill={roles.inkSoft}
          >
            jaws
          </SvgText>
        </G>
      )}
      {ends.map(({ axis, at }) => (
        <Line
          key={`${axis} ${at}`}
          {...(axis === 'X'
            ? { x1: at, x2: at, y1: 0, y2: height }
            : { x1: 0, x2: width, y1: at, y2: at })}
          stroke={roles.wrong}
          strokeWidth={2}
          strokeDasharray="8 5"
        />
      ))}
    </G>
  )
}

function Zero({ placed: { zero }, up, roles, width, height }: PartProps & { up: 'Y' | 'Z' }) {
  return (
    <G>
      <Line
        x1={6}
        x2={width - 6}
        y1={zero.y}
        y2={zero.y}
        stroke={roles.ink}
        strokeWidth={1}
        strokeDasharray="2 4"
      />
      <Line
        x1={zero.x}
        x2={zero.x}
        y1={24}
        y2={height - 6}
        stroke={roles.ink}
        strokeWidth={1}
        strokeDasharray="2 4"
      />
      <SvgText
        x={width - 8}
        y={zero.y - 4}
        textAnchor="end"
        fontFamily={MONO}
        fontSize={13}
        fill={roles.ink}
      >
        {`${up}0`}
      </SvgText>
      <SvgText x={zero.x + 4} y={height - 6} fontFamily={MONO} fontSize={13} fill={roles.ink}>
        X0
      </SvgText>
    </G>
  )
}
