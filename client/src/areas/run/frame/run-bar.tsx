import { Link } from 'expo-router'
import { memo } from 'react'
import ChevronLeft from 'lucide-react-native/icons/chevron-left'
import Menu from 'lucide-react-native/icons/menu'
import { View } from '@tamagui/core'
import { OutboxNotice } from '@/areas/outbox/outbox-notice'
import { Button } from '@/kit/button'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'

/** The job and its machine, and the way back to all set-ups: as little as a phone can do with. */
export const RunBar = memo(function RunBar({
  name,
  machine,
  onMenu,
  onChanged,
}: {
  readonly name: string
  readonly machine: string
  /** Steps, program, what the marks mean; none where there are none yet. */
  readonly onMenu: (() => void) | undefined
  /** Something happened in mid-job. */
  readonly onChanged: (() => void) | undefined
}) {
  const roles = useRoles()
  return (
    <View role="banner">
      <Row gap={0} paddingTop="$1">
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
        <Column flex={1} gap={0} minWidth={0}>
          <Words strong numberOfLines={1}>
            {name}
          </Words>
          <Words as="note" numberOfLines={1}>
            {machine}
          </Words>
        </Column>
        {onChanged && (
          <Button kind="plain" onPress={onChanged} label="something changed" testID="changed">
            Changed?
          </Button>
        )}
        {onMenu && (
          <View
            render="button"
            width={44}
            height={44}
            alignItems="center"
            justifyContent="center"
            padding={0}
            borderWidth={0}
            backgroundColor="transparent"
            cursor="pointer"
            onPress={onMenu}
            aria-label="menu: stations, program, marks"
            testID="menu"
          >
            <Menu size={26} color={roles.act} aria-hidden />
          </View>
        )}
      </Row>
      <OutboxNotice />
    </View>
  )
})
