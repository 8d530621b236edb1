import { memo, useDeferredValue, useMemo } from 'react'
import { View as Plain } from 'react-native'
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg'
import { View } from '@tamagui/core'
import { valueOf, type Chain } from '@pine/core/chain'
import { formatLength, type LengthUnit } from '@pine/core/length'
import {
  layoutLadder,
  rungAt,
  type Ladder,
  type PlacedRung,
  type RungKey,
} from '@pine/core/picture'
import { describeFrame, rungName, speakLadder, typographic } from '@pine/core/words'
import type { Roles } from '@/theme/roles'
import { useRoles } from '@/theme/use-roles'
import { Body, Ground } from './ladder-bodies'
import { Caption } from './ladder-caption'
import { useWidth } from './use-width'

const MONO = 'Atkinson Hyperlegible Mono'
const WORDS = 'Atkinson Hyperlegible Next'
/** Columns: names to the left of the rungs, numbers to the right. */
const NAMES = 74
const NUMBERS = 104
/** Where there is little room, the body that comes down is cut at its holder. */
const LOW = 160
/** Of a body that stands where it is expected, and not where it was read. */
const FAINT = 0.4

const never = () => false

export interface LadderDrawingProps {
  readonly ladder: Ladder
  readonly unit: LengthUnit
  readonly decimals: number
  readonly height: number
  /** Numbers that are expected and not read: drawn faintly, with fewer digits, and no trace. */
  readonly isFaint?: ((chain: Chain) => boolean) | undefined
  readonly onTrace?: (title: string, chain: Chain) => void
}

/** Heights as rungs, to scale. Tap a rung: the number's trace. */
export function LadderDrawing({
  ladder,
  unit,
  decimals,
  height,
  isFaint = never,
  onTrace,
}: LadderDrawingProps) {
  const roles = useRoles()
  const { width, onLayout } = useWidth(358)
  const placed = useMemo(
    () =>
      layoutLadder(ladder, {
        width,
        height,
        marginTop: ladder.body === 'none' ? 34 : height < LOW ? 48 : 66,
        marginBottom: 30,
        labelPitch: 21,
      }),
    [ladder, width, height],
  )
  const write = (chain: Chain) =>
    isFaint(chain)
      ? `≈ ${typographic(formatLength(valueOf(chain), unit, 1))}`
      : typographic(formatLength(valueOf(chain), unit, decimals))
  const isGhost = ladder.spans.some(({ chain }) => isFaint(chain))
  const right = width - NUMBERS
  const inner = { left: NAMES, right }
  const onPart = ladder.touches === 'part'
  const words = `${describeFrame(ladder.frame)}, ${unit}`
  return (
    <Plain onLayout={onLayout} style={{ height }}>
      <Plain
        role="img"
        aria-label={speakLadder(ladder, (nm) => `${formatLength(nm, unit, decimals)} ${unit}`)}
      >
        <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
          <Ground placed={placed} inner={inner} height={height} roles={roles} onPart={onPart} />
          <G opacity={isGhost ? FAINT : 1}>
            <Body ladder={ladder} placed={placed} inner={inner} roles={roles} onPart={onPart} />
          </G>
          {placed.map((place) => (
            <RungLine
              key={place.rung.key}
              rungKey={place.rung.key}
              guessed={place.rung.guessed === true}
              y={place.y}
              labelY={place.labelY}
              right={right}
              roles={roles}
              text={place.rung.label ? write(place.rung.label) : undefined}
              faint={place.rung.label !== undefined && isFaint(place.rung.label)}
            />
          ))}
          {ladder.spans.map((span) => (
            <Dimension
              key={span.kind}
              from={rungAt(placed, span.from)}
              to={rungAt(placed, span.to)}
              x={inner.left + 24}
              text={write(span.chain)}
              faint={isFaint(span.chain)}
              roles={roles}
            />
          ))}
          <Caption words={words} beside={ladder.body !== 'none'} width={width} roles={roles} />
        </Svg>
      </Plain>
      {onTrace && (
        <RungTargets
          placed={placed.filter(({ rung }) => !(rung.label && isFaint(rung.label)))}
          onTrace={onTrace}
        />
      )}
    </Plain>
  )
}

const colourOf = (key: RungKey, roles: Roles): string =>
  key === 'tip' ? roles.act : key === 'part-top' || key === 'zero' ? roles.read : roles.ink

/** Drawn anew only when it has moved or says something else: a key that is typed moves few rungs. */
const RungLine = memo(function RungLine({
  rungKey,
  guessed,
  y,
  labelY,
  right,
  roles,
  text,
  faint,
}: {
  rungKey: RungKey
  guessed: boolean
  y: number
  labelY: number
  right: number
  roles: Roles
  text: string | undefined
  faint: boolean
}) {
  const colour = faint ? roles.inkSoft : colourOf(rungKey, roles)
  const moved = labelY !== y
  return (
    <G>
      <Line
        x1={NAMES}
        x2={right}
        y1={y}
        y2={y}
        stroke={colour}
        strokeWidth={rungKey === 'tip' ? 3 : 2}
        strokeDasharray={guessed || faint ? '5 5' : undefined}
      />
      {moved && (
        <Path
          d={`M${right} ${y} L${right + 10} ${labelY}`}
          stroke={colour}
          strokeWidth={1}
          fill="none"
        />
      )}
      <SvgText
        x={NAMES - 8}
        y={labelY + 5}
        textAnchor="end"
        fontFamily={WORDS}
        fontSize={14}
        fill={colour}
      >
        {rungName(rungKey)}
      </SvgText>
      <SvgText
        x={right + NUMBERS - 8}
        y={labelY + 5}
        textAnchor="end"
        fontFamily={text === undefined ? WORDS : MONO}
        fontSize={text === undefined ? 13 : 15}
        fontWeight="500"
        fill={text === undefined ? roles.inkSoft : colour}
      >
        {text ?? 'not read'}
      </SvgText>
    </G>
  )
})

function Dimension({
  from,
  to,
  x,
  text,
  faint,
  roles,
}: {
  from: PlacedRung | undefined
  to: PlacedRung | undefined
  x: number
  text: string
  faint: boolean
  roles: Roles
}) {
  const colour = faint ? roles.inkSoft : roles.act
  if (!from || !to) return null
  const [top, bottom] = from.y < to.y ? [from.y, to.y] : [to.y, from.y]
  // A gap that is smaller than its arrows is told by the numbers of its two rungs alone.
  if (bottom - top < 24) return null
  const middle = (top + bottom) / 2
  return (
    <G>
      <Path
        d={`M${x} ${top + 3} V${bottom - 3} M${x - 4} ${top + 10} L${x} ${top + 3} L${x + 4} ${top + 10} M${x - 4} ${bottom - 10} L${x} ${bottom - 3} L${x + 4} ${bottom - 10}`}
        stroke={colour}
        strokeWidth={2}
        fill="none"
      />
      <Rect x={x - 36} y={middle - 10} width={72} height={20} rx={4} fill={roles.card} />
      <SvgText
        x={x}
        y={middle + 5}
        textAnchor="middle"
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

interface RungTargetsProps {
  readonly placed: readonly PlacedRung[]
  readonly onTrace: (title: string, chain: Chain) => void
}

/** Seen at once, pressed a moment later: what is pressed follows after the drawing is painted. */
function RungTargets({ placed, onTrace }: RungTargetsProps) {
  return <Targets placed={useDeferredValue(placed)} onTrace={onTrace} />
}

/**
 * Pressing on a shape of the drawing is not reliable on the web: a plain button lies over each
 * rung's number.
 */
const Targets = memo(function Targets({ placed, onTrace }: RungTargetsProps) {
  return placed.map(({ rung, labelY }) =>
    rung.label ? (
      <View
        key={rung.key}
        render="button"
        testID={`rung-${rung.key}`}
        position="absolute"
        right={0}
        top={labelY - 11}
        width={NUMBERS}
        height={22}
        backgroundColor="transparent"
        borderWidth={0}
        cursor="pointer"
        aria-label={`${rungName(rung.key)}: where this number comes from`}
        onPress={() => rung.label && onTrace(rungName(rung.key), rung.label)}
      />
    ) : null,
  )
})
