import { memo } from 'react'
import TriangleAlert from 'lucide-react-native/icons/triangle-alert'
import { View } from '@tamagui/core'
import { useRoles } from '@/theme/use-roles'
import { Row } from './surfaces'
import { Words } from './words'

/** The one caution that matters at this step (docs/domain.md, “Cautions”): short, once, with the reason. */
export const Caution = memo(function Caution({ children }: { children: string }) {
  const roles = useRoles()
  return (
    <Row
      role="note"
      backgroundColor="$cautionPaper"
      borderRadius="$small"
      paddingVertical="$2"
      paddingHorizontal="$3"
      gap="$3"
      alignItems="flex-start"
    >
      <View paddingTop={2}>
        <TriangleAlert size={20} color={roles.cautionMark} aria-hidden />
      </View>
      <Words tone="caution" flex={1} fontSize={15} lineHeight={20}>
        {children}
      </Words>
    </Row>
  )
})
