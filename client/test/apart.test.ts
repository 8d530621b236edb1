import { apart } from '@/kit/apart'

test('two points of one day are two on the curve, and read as that day', () => {
  const points = ['12-02', '12-02', '12-03', '12-02'].map((on, off) => ({ on, off }))
  const drawn = apart(points)
  expect(new Set(drawn.map(({ on }) => on)).size).toBe(4)
  expect(drawn.map(({ on }) => on.replace(/\u200b/g, ''))).toEqual(points.map(({ on }) => on))
  expect(drawn.map(({ off }) => off)).toEqual([0, 1, 2, 3])
})
