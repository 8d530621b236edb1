import { styled, Text } from '@tamagui/core'

/** Running text. The variant says what it is for; its size follows from that. */
export const Words = styled(Text, {
  name: 'Words',
  fontFamily: '$body',
  color: '$ink',
  fontSize: '$body',
  lineHeight: '$body',
  variants: {
    as: {
      note: { fontSize: '$note', lineHeight: '$note', color: '$inkSoft' },
      body: {},
      lead: { fontSize: '$lead', lineHeight: '$lead', fontWeight: '500' },
      title: { fontSize: '$title', lineHeight: '$title', fontWeight: '700' },
      sentence: { fontSize: '$sentence', lineHeight: '$sentence', fontWeight: '700' },
    },
    tone: {
      ink: { color: '$ink' },
      soft: { color: '$inkSoft' },
      act: { color: '$act' },
      onAct: { color: '$onAct' },
      read: { color: '$read' },
      caution: { color: '$caution' },
      wrong: { color: '$wrong' },
    },
    strong: { true: { fontWeight: '700' } },
  } as const,
})

/** Numbers: one width a digit, slashed zero. */
export const Digits = styled(Text, {
  name: 'Digits',
  fontFamily: '$mono',
  color: '$ink',
  fontSize: '$body',
  lineHeight: '$body',
  variants: {
    as: {
      note: { fontSize: '$note', lineHeight: '$note' },
      body: {},
      lead: { fontSize: '$lead', lineHeight: '$lead', fontWeight: '500' },
      number: { fontSize: '$number', lineHeight: '$number', fontWeight: '600' },
      reading: { fontSize: '$reading', lineHeight: '$reading', fontWeight: '600' },
    },
    tone: {
      ink: { color: '$ink' },
      soft: { color: '$inkSoft' },
      act: { color: '$act' },
      read: { color: '$read' },
      wrong: { color: '$wrong' },
    },
  } as const,
})
