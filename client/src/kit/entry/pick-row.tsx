import type { ReactNode } from 'react'
import Check from 'lucide-react-native/icons/check'
import { styled, View } from '@tamagui/core'
import { useRoles } from '@/theme/use-roles'

const Frame = styled(View, {
  name: 'PickRow',
  render: 'button',
  flexDirection: 'row',
  alignItems: 'center',
  gap: '$3',
  minHeight: '$touch',
  paddingHorizontal: '$3',
  borderRadius: '$small',
  borderWidth: 2,
  borderColor: '$edge',
  backgroundColor: '$card',
  cursor: 'pointer',
  variants: { picked: { true: { borderColor: '$act' } } } as const,
})

/** A line of a list that can be taken or left. */
export function PickRow({
  picked,
  onPress,
  children,
}: {
  picked: boolean
  onPress: () => void
  children: ReactNode
}) {
  const roles = useRoles()
  return (
    <Frame role="checkbox" aria-checked={picked} picked={picked} onPress={onPress}>
      <View
        width={22}
        height={22}
        borderRadius={6}
        borderWidth={2}
        borderColor={picked ? '$act' : '$edge'}
        backgroundColor={picked ? '$act' : '$card'}
        alignItems="center"
        justifyContent="center"
      >
        {picked && <Check size={16} color={roles.onAct} aria-hidden />}
      </View>
      {children}
    </Frame>
  )
}
