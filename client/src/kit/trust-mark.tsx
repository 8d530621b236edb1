import { memo } from 'react'
import type { TrustState } from '@pine/core/registers'
import Svg, { Circle, Path } from 'react-native-svg'
import { View } from '@tamagui/core'
import { useRoles } from '@/theme/use-roles'

export const TRUST_NAMES: Readonly<Record<TrustState, string>> = {
  'not-read': 'not read',
  read: 'read',
  keyed: 'keyed and read back',
  proven: 'proven',
  stale: 'stale',
}

const NEEDLE_NORTH = 'M12 5 L15 12 L9 12 Z'
const NEEDLE = 'M12 5 L15 12 L12 19 L9 12 Z'

/**
 * Our mark of trust, a compass needle in a ring, told by shape and not by colour alone: dashed ring
 * without needle, hollow needle, north half filled, solid disc, broken ring with the needle askew.
 */
export const TrustMark = memo(function TrustMark({
  state,
  size = 24,
}: {
  readonly state: TrustState
  readonly size?: number
}) {
  const roles = useRoles()
  const stroke =
    state === 'not-read'
      ? roles.edge
      : state === 'read'
        ? roles.read
        : state === 'stale'
          ? roles.wrong
          : roles.act
  return (
    <View role="img" aria-label={TRUST_NAMES[state]} width={size} height={size}>
      <Svg width={size} height={size} viewBox="0 0 24 24">
        {state === 'proven' ? (
          <Circle cx={12} cy={12} r={10} fill={stroke} />
        ) : (
          <Circle
            cx={12}
            cy={12}
            r={9.5}
            fill={roles.card}
            stroke={stroke}
            strokeWidth={2}
            strokeDasharray={
              state === 'not-read' ? '3.2 2.8' : state === 'stale' ? '40 12' : undefined
            }
          />
        )}
        {state === 'read' && (
          <Path d={NEEDLE} fill="none" stroke={stroke} strokeWidth={1.8} strokeLinejoin="round" />
        )}
        {state === 'keyed' && (
          <>
            <Path d={NEEDLE} fill="none" stroke={stroke} strokeWidth={1.6} strokeLinejoin="round" />
            <Path d={NEEDLE_NORTH} fill={stroke} />
          </>
        )}
        {state === 'proven' && <Path d={NEEDLE} fill={roles.card} />}
        {state === 'stale' && (
          <Path
            d={NEEDLE}
            fill="none"
            stroke={stroke}
            strokeWidth={1.8}
            strokeLinejoin="round"
            transform="rotate(52 12 12)"
          />
        )}
      </Svg>
    </View>
  )
})
