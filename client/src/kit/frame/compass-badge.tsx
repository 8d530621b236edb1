import Svg, { Circle, Path } from 'react-native-svg'
import { useRoles } from '@/theme/use-roles'

/** The product's sign: a needle in a solid disc. */
export function CompassBadge({ size }: { size: number }) {
  const roles = useRoles()
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Circle cx={12} cy={12} r={11} fill={roles.act} />
      <Path d="M12 4 L15.2 12 L8.8 12 Z" fill="#e9b44c" />
      <Path d="M12 20 L15.2 12 L8.8 12 Z" fill={roles.paper} />
    </Svg>
  )
}
