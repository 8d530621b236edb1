import { layoutPlan, type PlanView } from '@pine/core/picture'
import { speakPlan } from '@pine/core/words'
import { drawing, element, INK, label, STOCK } from './element'

/** Kept free around the part for what stands beside it. */
const MARGIN = 26

/** The part from above for paper: its faces (thick where one was read), its zero, X to the right and Y away. */
export function planSvg(
  plan: PlanView,
  { width, height }: { width: number; height: number },
): string {
  const { part, faces, zero, circle } = layoutPlan(plan, { width, height, margin: MARGIN })
  // In the corner that the margin keeps free, whatever the part's shape.
  const [x, y] = [10, 23]
  const arrow = `M${x} ${y - 12} V${y} H${x + 12} M${x - 2} ${y - 9} L${x} ${y - 13} L${x + 2} ${y - 9} M${x + 9} ${y - 2} L${x + 13} ${y} L${x + 9} ${y + 2}`
  const needle = `M${zero.x} ${zero.y - 10} L${zero.x + 2.7} ${zero.y - 2.7} L${zero.x + 10} ${zero.y} L${zero.x + 2.7} ${zero.y + 2.7} L${zero.x} ${zero.y + 10} L${zero.x - 2.7} ${zero.y + 2.7} L${zero.x - 10} ${zero.y} L${zero.x - 2.7} ${zero.y - 2.7} Z`
  return drawing(
    { width, height, title: speakPlan(plan) },
    element('rect', { ...part, fill: STOCK, stroke: INK, 'stroke-width': 0.5 }),
    ...(circle === undefined
      ? faces.map(({ role, x1, y1, x2, y2 }) =>
          element('line', {
            ...{ x1, y1, x2, y2, stroke: INK, 'stroke-width': role === 'read' ? 3 : 1 },
            'stroke-dasharray': role === 'to-touch' ? '4 3' : undefined,
          }),
        )
      : [
          element('circle', {
            cx: circle.x,
            cy: circle.y,
            r: circle.radius,
            fill: '#ffffff',
            stroke: INK,
            'stroke-width': 1.5,
          }),
        ]),
    element('path', { d: needle, fill: INK, stroke: '#ffffff', 'stroke-width': 0.75 }),
    label({
      x: zero.x + 4,
      y: zero.y + 17,
      text: `${plan.row} X0 Y0`,
      face: 'numbers',
      size: 9,
      bold: true,
    }),
    element('path', { d: arrow, stroke: INK, 'stroke-width': 1, fill: 'none' }),
    label({ x: x + 15, y: y + 3, text: 'X', size: 8 }),
    label({ x: x + 4, y: y - 8, text: 'Y', size: 8 }),
  )
}
