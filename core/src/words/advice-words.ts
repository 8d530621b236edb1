import type { Advice } from '../budget/advice'
import type { Verdict } from '../budget/verdict'
import type { ConversionGap } from '../schools/convert-solution'

export function describeAdvice(advice: Advice): string {
  switch (advice.do) {
    case 'repeat':
      return `take this touch ${advice.times} times`
    case 'change-gauge':
      return `touch with a ${advice.to.replace(/-/g, ' ')} instead`
    case 'declare-lost-motion':
      return 'measure the lost motion of this axis and declare it on the machine, or touch from the other side'
    case 'read-finer':
      return 'read it with more decimals, or have the gauge certified'
  }
}

export function describeVerdict(verdict: Verdict): string {
  return { fit: 'sure enough', undecided: 'not surely enough', unfit: 'not sure enough' }[verdict]
}

export function describeGap(gap: ConversionGap): string {
  switch (gap) {
    case 'own-reference':
      return 'the set-up’s own lengths are not all read yet'
    case 'nose-on-plane':
      return 'the bare nose was not touched on the setting plane'
    case 'part-top':
      return 'the raw top of the first fixture is not read'
    case 'master-on-plane':
      return 'the master tool is not named, or not touched on the plane'
  }
}
