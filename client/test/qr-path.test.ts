/** @jest-environment node */
import { qrPath } from '@/areas/tools/qr-path'
import { labelText } from '@/areas/tools/tools-view'

const ID = '019aaaaa-0000-7000-8000-0000deadbeef'

test('a QR code is squares within its quiet margin', () => {
  const { path, side } = qrPath(labelText('https://shop.example', ID))
  const squares = [...path.matchAll(/M(\d+) (\d+)h1v1h-1z/g)].map(([, x, y]) => [
    Number(x),
    Number(y),
  ])
  expect(squares.length).toBeGreaterThan(100)
  for (const [x, y] of squares) {
    expect(Math.min(x!, y!)).toBeGreaterThanOrEqual(4)
    expect(Math.max(x!, y!)).toBeLessThan(side - 4)
  }
  // The corner of the first finder pattern, by ISO/IEC 18004.
  expect(squares).toContainEqual([4, 4])
})
