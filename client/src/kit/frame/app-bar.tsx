import { Link } from 'expo-router'
import { useMedia, View } from '@tamagui/core'
import { useSession } from '@/data/server/session'
import { OutboxNotice } from '@/areas/outbox/outbox-notice'
import { CompassBadge } from './compass-badge'
import { Row } from '../surfaces'
import { Words } from '../words'

/** Where one is and who one is. */
export function AppBar() {
  const { person } = useSession()
  const { narrow } = useMedia()
  return (
    <View role="banner" backgroundColor="$tray" borderBottomWidth={1} borderColor="$line">
      <Row paddingHorizontal="$3" minHeight={52} justifyContent="space-between">
        <Link href="/" asChild>
          <Row
            render="a"
            minHeight="$touch"
            cursor="pointer"
            aria-label="Pine Compass: all set-ups"
          >
            <CompassBadge size={26} />
            {!narrow && (
              <Words as="lead" strong>
                Pine Compass
              </Words>
            )}
          </Row>
        </Link>
        {person && (
          <Row gap="$1">
            <BarLink href="/tools">Tools</BarLink>
            <BarLink href="/shop">Shop</BarLink>
            <BarLink href="/sign-in">{person.name.split(' ')[0] ?? person.name}</BarLink>
          </Row>
        )}
      </Row>
      <OutboxNotice />
    </View>
  )
}

function BarLink({ href, children }: { href: '/tools' | '/shop' | '/sign-in'; children: string }) {
  return (
    <Link href={href} asChild>
      <Row render="a" minHeight="$touch" paddingHorizontal="$2" cursor="pointer">
        <Words tone="act" strong>
          {children}
        </Words>
      </Row>
    </Link>
  )
}
