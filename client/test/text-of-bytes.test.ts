import { textOfBytes } from '@/data/device/text-of-bytes'

test.each([
  ['UTF-8 with its mark', [0xef, 0xbb, 0xbf, 0x47, 0x35]],
  ['UTF-16, little end first', [0xff, 0xfe, 0x47, 0, 0x35, 0]],
  ['UTF-16, big end first', [0xfe, 0xff, 0, 0x47, 0, 0x35]],
  ['plain text', [0x47, 0x35]],
])('%s is read', (_, bytes) => {
  expect(textOfBytes(Uint8Array.from(bytes))).toBe('G5')
})
