import { TextDecoder as OfBrowsers } from 'node:util'
import { textOfBytes } from '@/data/device/text-of-bytes'

// The one that stands in Jest knows UTF-8 alone; every browser knows the encodings of the Encoding Standard, as Node's own does.
beforeAll(() => Object.assign(globalThis, { TextDecoder: OfBrowsers }))

test.each([
  ['UTF-8 with its mark', [0xef, 0xbb, 0xbf, 0x47, 0x35]],
  ['UTF-16, little end first', [0xff, 0xfe, 0x47, 0, 0x35, 0]],
  ['UTF-16, big end first', [0xfe, 0xff, 0, 0x47, 0, 0x35]],
  ['plain text', [0x47, 0x35]],
])('%s is read', (_, bytes) => {
  expect(textOfBytes(Uint8Array.from(bytes))).toBe('G5')
})
