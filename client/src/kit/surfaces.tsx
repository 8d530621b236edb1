import { styled, View } from '@tamagui/core'

/** A sheet of paper on the page. */
export const Card = styled(View, {
  name: 'Card',
  backgroundColor: '$card',
  borderColor: '$line',
  borderWidth: 1,
  borderRadius: '$large',
  variants: {
    padded: { true: { padding: '$4', gap: '$2' } },
    tone: {
      plain: {},
      wrong: { backgroundColor: '$wrongPaper', borderColor: '$wrong' },
      read: { backgroundColor: '$readPaper', borderColor: '$read' },
    },
  } as const,
})

export const Row = styled(View, {
  name: 'Row',
  flexDirection: 'row',
  alignItems: 'center',
  gap: '$2',
})
/** One of several lines in a card: a hair line divides it from the one above. */
export const Line = styled(Row, {
  name: 'Line',
  minHeight: '$touch',
  paddingHorizontal: '$3',
  borderTopWidth: 1,
  borderColor: '$line',
  variants: {
    first: { true: { borderTopWidth: 0 } },
    apart: { true: { justifyContent: 'space-between' } },
  } as const,
})
export const Column = styled(View, { name: 'Column', flexDirection: 'column', gap: '$2' })
