import type { PlanView } from '../../picture/plan-view'

/** The plan in a sentence, for a screen reader. */
export function speakPlan(plan: PlanView): string {
  const read = plan.faces.filter(({ role }) => role === 'read').map(({ face }) => face)
  const next = plan.faces.find(({ role }) => role === 'next')
  return [
    `The part from above for ${plan.row}.`,
    read.length > 0 ? `Read: ${read.join(' and ')}.` : 'No face is read yet.',
    plan.touches.length > 0
      ? `${plan.touches.filter(({ role }) => role === 'read').length} of ${plan.touches.length} touches are read.`
      : '',
    next ? `To touch now: ${next.face}, the tool moving ${direction(plan)}.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

function direction({ sensor }: PlanView): string {
  if (sensor === undefined) return ''
  const alongX = sensor.face === 'left' || sensor.face === 'right'
  if (alongX) return sensor.direction > 0 ? 'to the right' : 'to the left'
  return sensor.direction > 0 ? 'to the back' : 'to the front'
}
