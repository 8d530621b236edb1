import { styled, View } from 'tamagui'

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
export const Column = styled(View, { name: 'Column', flexDirection: 'column', gap: '$2' })
