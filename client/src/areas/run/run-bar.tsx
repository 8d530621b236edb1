import { Link } from 'expo-router'
import ChevronLeft from 'lucide-react-native/icons/chevron-left'
import { View } from 'tamagui'
import { OutboxNotice } from '@/areas/outbox/outbox-notice'
import { Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'

/** The job and its machine, and the way back to all set-ups: as little as a phone can do with. */
export function RunBar({ name, machine }: { name: string; machine: string }) {
  const roles = useRoles()
  return (
    <View role="banner">
      <Row paddingRight="$3" gap={0}>
        <Link href="/" asChild>
          <View
            render="a"
            width={44}
            height={44}
            alignItems="center"
            justifyContent="center"
            aria-label="all set-ups"
          >
            <ChevronLeft size={26} color={roles.act} aria-hidden />
          </View>
        </Link>
        <Words as="lead" strong flex={1} numberOfLines={1}>
          {name}
        </Words>
        <Words as="note">{machine}</Words>
      </Row>
      <OutboxNotice />
    </View>
  )
}
