import { StyleSheet, View as Plain } from 'react-native'
import Svg from 'react-native-svg'
import { View } from '@tamagui/core'
import { type Face, type PlanAxis } from '@pine/core/touch'
import { AXIS_PLACES, ZERO_HEIGHTS, type AxisPlace, type ZeroHeight } from '@pine/core/sheet'
import { describeZeroPlace } from '@pine/core/words'
import { ZeroMark } from '@/drawings/plan-drawing'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'

/** How the stock is touched and where zero is put, as far as it is said. */
export interface ZeroPictureProps {
  /** Where zero is, by axis; undefined where it is elsewhere. */
  readonly at: Readonly<Record<PlanAxis, AxisPlace | undefined>>
  /** The same as shares of the stock from its left front corner, to be drawn. */
  readonly share: Readonly<Record<PlanAxis, number | undefined>>
  readonly onPlace: (X: AxisPlace, Y: AxisPlace) => void
  /** Faces that find it; pressed, one is touched or left out. */
  readonly touched: readonly Face[]
  readonly onFace: (face: Face) => void
  readonly height: ZeroHeight
  readonly onHeight: (height: ZeroHeight) => void
}

/** From the back, as one looks at it from above. */
const ROWS: readonly AxisPlace[] = [...AXIS_PLACES].reverse()

/** The stock from above and from the front: zero is put where it is pressed, and faces are pressed to be touched. */
export function ZeroPicture({
  at,
  share,
  onPlace,
  touched,
  onFace,
  height,
  onHeight,
}: ZeroPictureProps) {
  const roles = useRoles()
  const face = (name: Face, arrow: string) => (
    <FaceKey
      name={name}
      arrow={arrow}
      touched={touched.includes(name)}
      onPress={() => onFace(name)}
    />
  )
  return (
    <Row alignItems="center" justifyContent="center" gap="$3" flexWrap="wrap">
      <Column gap={0} alignItems="center">
        {face('back', '↓')}
        <Row gap={0}>
          {face('left', '→')}
          <Plain
            role="radiogroup"
            aria-label="where zero is, from above"
            style={[styles.stock, { backgroundColor: roles.stock, borderColor: roles.ink }]}
          >
            {ROWS.map((Y) => (
              <Plain key={Y} style={styles.row}>
                {AXIS_PLACES.map((X) => (
                  <Spot
                    key={X}
                    name={describeZeroPlace(X, Y)}
                    chosen={at.X === X && at.Y === Y}
                    onPress={() => onPlace(X, Y)}
                  />
                ))}
              </Plain>
            ))}
            {share.X !== undefined && share.Y !== undefined && (
              <Plain style={styles.mark}>
                <Svg width={WIDTH + 2 * AROUND} height={DEPTH + 2 * AROUND} aria-hidden>
                  <ZeroMark
                    x={AROUND + share.X * WIDTH}
                    y={AROUND + (1 - share.Y) * DEPTH}
                    named={false}
                    roles={roles}
                  />
                </Svg>
              </Plain>
            )}
          </Plain>
          {face('right', '←')}
        </Row>
        {face('front', '↑')}
      </Column>
      <HeightPicture height={height} onHeight={onHeight} />
    </Row>
  )
}

/** The stock from above: cells that a thumb hits. */
const [WIDTH, DEPTH] = [135, 135]
/** The mark of zero reaches over the edge. */
const AROUND = 16

/** A place where zero can be put. */
function Spot({
  name,
  chosen,
  onPress,
}: {
  readonly name: string
  readonly chosen: boolean
  readonly onPress: () => void
}) {
  const roles = useRoles()
  return (
    <View
      render="button"
      role="radio"
      aria-checked={chosen}
      aria-label={name}
      width={WIDTH / 3}
      height={DEPTH / 3}
      padding={0}
      borderWidth={0}
      backgroundColor="transparent"
      alignItems="center"
      justifyContent="center"
      cursor="pointer"
      onPress={onPress}
    >
      {!chosen && <Plain style={[styles.dot, { backgroundColor: roles.edge }]} />}
    </View>
  )
}

function FaceKey({
  name,
  arrow,
  touched,
  onPress,
}: {
  readonly name: Face
  readonly arrow: string
  readonly touched: boolean
  readonly onPress: () => void
}) {
  return (
    <View
      render="button"
      role="checkbox"
      aria-checked={touched}
      aria-label={`touch the ${name} face`}
      width={44}
      height={44}
      padding={0}
      alignItems="center"
      justifyContent="center"
      borderRadius="$small"
      borderWidth={touched ? 2 : 1}
      borderColor={touched ? '$read' : '$line'}
      backgroundColor={touched ? '$readPaper' : 'transparent'}
      cursor="pointer"
      onPress={onPress}
    >
      <Words as="lead" tone={touched ? 'ink' : 'soft'} strong={touched}>
        {arrow}
      </Words>
    </View>
  )
}

const HEIGHT_NAMES: Readonly<Record<ZeroHeight, string>> = {
  top: 'stock top',
  below: 'below it',
  bottom: 'bottom',
}

/** The stock from the front: on its stock top, below that by a facing, or at its bottom. */
function HeightPicture({
  height,
  onHeight,
}: {
  readonly height: ZeroHeight
  readonly onHeight: (height: ZeroHeight) => void
}) {
  const roles = useRoles()
  return (
    <Plain
      role="radiogroup"
      aria-label="how high zero is"
      style={[styles.side, { backgroundColor: roles.stock, borderColor: roles.ink }]}
    >
      {ZERO_HEIGHTS.map((one) => (
        <View
          key={one}
          render="button"
          role="radio"
          aria-checked={one === height}
          minHeight={44}
          padding={0}
          borderWidth={0}
          borderTopWidth={one === 'bottom' ? 0 : 2}
          borderBottomWidth={one === 'bottom' ? 2 : 0}
          borderStyle={one === 'below' ? 'dashed' : 'solid'}
          borderColor={one === height ? '$act' : one === 'below' ? '$edge' : '$transparent'}
          backgroundColor="transparent"
          flexGrow={one === 'bottom' ? 1 : 0}
          justifyContent={one === 'bottom' ? 'flex-end' : 'flex-start'}
          cursor="pointer"
          onPress={() => onHeight(one)}
        >
          <Words as="note" tone={one === height ? 'act' : 'soft'} strong={one === height}>
            {one === height ? `Z0 ${HEIGHT_NAMES[one]}` : HEIGHT_NAMES[one]}
          </Words>
        </View>
      ))}
    </Plain>
  )
}

const styles = StyleSheet.create({
  stock: { width: WIDTH + 4, height: DEPTH + 4, borderWidth: 2 },
  row: { flexDirection: 'row' },
  dot: { width: 8, height: 8, borderRadius: 4 },
  mark: { position: 'absolute', left: -AROUND, top: -AROUND, pointerEvents: 'none' },
  side: { width: 84, height: DEPTH + 4, borderLeftWidth: 2, borderRightWidth: 2 },
})
