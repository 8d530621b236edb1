import type { Advice } from '../../budget/advice'
import type { Verdict } from '../../budget/verdict'
import type { ConversionGap } from '../../solve/convert-solution'

export function describeAdvice(advice: Advice): string {
  switch (advice.do) {
    case 'repeat':
      return `take this touch ${advice.times} times`
    case 'change-gauge':
      return `touch with ${withArticle(advice.to.replace(/-/g, ' '))} instead`
    case 'declare-lost-motion':
      return 'measure the backlash of this axis and declare it on the machine, or touch from the other side'
    case 'read-finer':
      return 'read it with more decimals, or have the gauge certified'
  }
}

const withArticle = (name: string): string => `${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name}`

export function describeVerdict(verdict: Verdict): string {
  return { fit: 'sure enough', undecided: 'may not be sure enough', unfit: 'not sure enough' }[
    verdict
  ]
}

export function describeGap(gap: ConversionGap): string {
  switch (gap) {
    case 'registers':
      return 'the control keeps no lengths: there is nothing to convert'
    case 'lengths':
      return 'no length is read yet'
    case 'plane':
      return 'no tool was touched on the setting plane'
    case 'nose':
      return 'the bare nose was touched neither on the setting plane nor on the first part'
    case 'part-top':
      return 'nothing tells how high the stock top of the first part lies above the setting plane: touch one tool on both'
    case 'master':
      return 'the master tool is not named, or was touched neither on the setting plane nor on the first part'
  }
}
