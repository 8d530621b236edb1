import type { WrittenLength } from '../../length/length'
import type { AxisPlace, ZeroHeight } from '../../sheet/zero-place'
import { lengthWords } from '../typographic'

const ENDS: Readonly<Record<'X' | 'Y', Readonly<Record<AxisPlace, string>>>> = {
  X: { low: 'left', middle: 'middle', high: 'right' },
  Y: { low: 'front', middle: 'middle', high: 'back' },
}

/**
 * Where zero lies as seen from above: `left front corner`, `middle of the back side`, `middle`.
 *
 * @example describeZeroPlace('low', 'middle') // 'middle of the left side'
 */
export function describeZeroPlace(X: AxisPlace, Y: AxisPlace): string {
  if (X === 'middle' && Y === 'middle') return 'middle'
  if (X === 'middle') return `middle of the ${ENDS.Y[Y]} side`
  if (Y === 'middle') return `middle of the ${ENDS.X[X]} side`
  return `${ENDS.X[X]} ${ENDS.Y[Y]} corner`
}

/**
 * Where zero lies in height: `stock top`, `0.5 mm below the stock top`, `bottom`.
 *
 * @example describeZeroHeight('below', { text: '0.5', unit: 'mm' }) // '0.5 mm below the stock top'
 */
export function describeZeroHeight(height: ZeroHeight, facing: WrittenLength): string {
  if (height !== 'below') return { top: 'stock top', bottom: 'bottom' }[height]
  return facing.text.trim() === ''
    ? 'below the stock top'
    : `${lengthWords(facing)} below the stock top`
}
