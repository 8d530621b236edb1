import { valueOf } from '@pine/core/chain'
import { formatLength, type LengthUnit } from '@pine/core/length'
import { layoutLadder, rungAt, type Ladder } from '@pine/core/picture'
import { describeFrame, rungName, speakLadder, typographic } from '@pine/core/words'
import { drawing, element, INK, label, METAL, STOCK } from './element'

export interface DrawnIn {
  readonly unit: LengthUnit
  readonly decimals: number
  readonly width: number
  readonly height: number
}

/** Room to the left of the rungs for their names, and to the right for their numbers. */
const NAMES = 62
const NUMBERS = 76

/** The heights of a set-up for paper, to scale: names to the left, numbers in its unit to the right. */
export function ladderSvg(ladder: Ladder, { unit, decimals, width, height }: DrawnIn): string {
  const placed = layoutLadder(ladder, {
    ...{ width, height, marginTop: 30, marginBottom: 22, labelPitch: 14 },
  })
  const [left, right] = [NAMES, width - NUMBERS]
  const [plane, top] = [rungAt(placed, 'plane'), rungAt(placed, 'part-top')]
  const across = right - left
  return drawing(
    {
      width,
      height,
      title: speakLadder(ladder, (nm) => `${formatLength(nm, unit, decimals)} ${unit}`),
    },
    ...(plane === undefined
      ? []
      : [
          element('rect', {
            x: left,
            y: plane.y,
            width: across * 0.4,
            height: Math.max(height - plane.y - 4, 0),
            fill: METAL,
          }),
        ]),
    ...(top === undefined
      ? []
      : [
          element('rect', {
            ...{ x: left + across * 0.5, y: top.y, width: across * 0.45, fill: STOCK },
            ...{ height: Math.max(height - top.y - 4, 0), stroke: INK, 'stroke-width': 0.75 },
            'stroke-dasharray': top.rung.guessed ? '3 3' : undefined,
          }),
        ]),
    ...placed.flatMap(({ rung, y, labelY }) => [
      element('line', {
        ...{ x1: left, x2: right, y1: y, y2: y, stroke: INK },
        'stroke-width': rung.key === 'zero' ? 1.5 : 1,
        'stroke-dasharray': rung.guessed ? '3 3' : undefined,
      }),
      ...(labelY === y
        ? []
        : [
            element('line', {
              x1: right,
              y1: y,
              x2: right + 8,
              y2: labelY,
              stroke: INK,
              'stroke-width': 0.5,
            }),
          ]),
      label({ x: left - 5, y: labelY + 3.5, text: rungName(rung.key), anchor: 'end' }),
      label({
        ...{ x: width - 2, y: labelY + 3.5, anchor: 'end', face: 'numbers', size: 10.5 },
        text:
          rung.label === undefined
            ? 'not read'
            : typographic(formatLength(valueOf(rung.label), unit, decimals)),
      }),
    ]),
    label({
      x: width - 2,
      y: 10,
      text: `${describeFrame(ladder.frame)}, ${unit}`,
      anchor: 'end',
      size: 8.5,
    }),
  )
}
