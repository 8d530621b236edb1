import { AXES } from '../../address/row'
import type { CheckOff } from '../../facts/bodies/check-off'
import type { SetupDocument } from '../../facts/document'
import { sparedWords } from '../setup/sheet-words'
import { setterPoints, toolChangeWords } from '../setup/setter-words'
import { lengthWords } from '../typographic'

/** What is seen to at a step that reads no number. */
export interface CheckWords {
  readonly title: string
  readonly sentence: string
  /** What to go through, in order. */
  readonly points: readonly string[]
  readonly caution: string
  /** What the person says when it is so. */
  readonly done: string
}

type Standing = Pick<SetupDocument, 'sheet' | 'events' | 'programs'>

const GUARDS =
  'Follow the machine maker’s manual. An emergency stop may stop the axes and leave the spindle turning: know yours.'

/**
 * The words of a check, for this machine and this sheet, with what was said to have changed since.
 *
 * @param stop the tool whose turn it is, where one tool is set at a time.
 */
export function describeCheck(
  document: Standing,
  check: CheckOff['of'],
  stop?: number,
): CheckWords {
  const { sheet } = document
  switch (check) {
    case 'home':
      return sheet.machine.homing === 'marks' ? homeByMarks(document) : homeBySwitches(document)
    case 'part-zero':
      return partZeroWords(document)
    case 'clean':
      return {
        title: 'Clean and inspect',
        sentence: 'Clean the seats, look at every edge.',
        points: [
          'Table, jaws and parallels wiped, no chip beneath.',
          'Taper and collets wiped; every tool seated fully.',
          'Tips looked at: nothing chipped, nothing worn.',
        ],
        caution: 'Edges cut, inserts too. Hold a tool before the drawbar lets it go.',
        done: 'Clean and whole',
      }
    case 'gauges':
      return {
        title: 'Gauges at hand',
        sentence: 'Lay out the gauges. Is each as large as it says?',
        points: [],
        caution: 'Paper, card and plates are measured, not believed: put a micrometer on them.',
        done: 'All there, all true',
      }
    case 'holding':
      return {
        title: 'Hold the part',
        sentence: 'Seat the part and clamp it.',
        points: [
          'Edges deburred; seated with a soft hammer.',
          'The parallels do not slide when they are pushed.',
          'The stop stands where the next part is to come.',
          ...sheet.offsets.flatMap(({ row, spared = [] }) =>
            spared.length === 0 ? [] : [`${row}: not to be touched, ${sparedWords(spared)}.`],
          ),
        ],
        caution:
          'Never a hand between tool and part under power. No gloves near a turning spindle.',
        done: 'It sits and holds',
      }
    case 'air-cut':
      return {
        title: 'Dry run',
        sentence: 'Run the program above the part first.',
        points: [],
        caution:
          'Guards closed, rapid at its lowest, a thumb on feed hold. Clip and plate off before the spindle starts.',
        done: 'It ran clear',
      }
    case 'program':
      return {
        title: 'The program',
        sentence: 'Look the program over against this set-up.',
        points: [],
        caution: 'This check does not find every fault of a program: the dry run shows the rest.',
        done: 'I looked it over',
      }
    case 'cut':
      return cutWords(document, stop)
    case 'first-part':
      return {
        title: 'First part',
        sentence: 'Cut the first part, measure it, correct the wear.',
        points: [
          'Look before the start: which tool is in the spindle, which does the control say, which length is active?',
        ],
        caution: 'Spindle stopped before a hand goes in. Chips are hot, edges cut: eye protection.',
        done: 'Measured',
      }
    case 'look':
      return {
        title: 'A second look',
        sentence: 'Another person looks over it before it runs.',
        points: [
          'The sheet against the part in the machine.',
          'Every number on the control against this list.',
          'The proofs: which tools, which work offsets.',
        ],
        caution:
          'Sign in as the one who looks: whoever keyed the numbers does not see their own slip.',
        done: 'I looked at it',
      }
  }
}

/** One tool at a time: the program runs with it up to where the next one is called. */
function cutWords(
  { sheet: { tools, machine }, programs }: Standing,
  tool: number | undefined,
): CheckWords {
  const program = programs.at(-1)
  const operations = program?.reading.operations ?? []
  const at = operations.findIndex((one) => one.tool === tool)
  const [own, next] = [operations[at], at < 0 ? undefined : operations[at + 1]]
  const isLast = tools.at(-1)?.number === tool
  const change = toolChangeWords(machine)
  const until = next === undefined ? 'to its end' : `to line ${next.from.line}, where it stops`
  return {
    title: `Cut with T${tool}`,
    sentence: isLast
      ? `Run the program with T${tool} to its end.`
      : `Run the program with T${tool} until it asks for the next tool.`,
    points: [
      `Look before the start: T${tool ?? '?'} is in the spindle, and the control says T${tool ?? '?'}.`,
      ...(own && program ? [`${program.name}: from line ${own.from.line} ${until}.`] : []),
      'Clip and plate off, guards closed, rapid at its lowest for the first block.',
      ...(isLast
        ? []
        : [
            'Then spindle stopped and Z up before a hand goes to the tool. X and Y stay as they are: only Z is set again.',
            ...(change === undefined ? [] : [change]),
          ]),
    ],
    caution:
      'Chips and dust: eye protection. The next tool is longer or shorter: this Z is not for it.',
    done: `T${tool} has cut`,
  }
}

/** What the control adds to every row is looked at before anything is read: it shifts all of them at once. */
function commonOffset({ sheet: { unit, machine }, events }: Standing): string {
  const shows = AXES.map((axis) => {
    const event = events.findLast((one) => one.kind === 'external-changed' && one.axis === axis)
    const now = event?.kind === 'external-changed' ? event.value : machine.externalOffset?.[axis]
    return `${axis} ${lengthWords(now ?? { text: '0', unit })}`
  })
  return `The external offset, which is added to every row, shows ${shows.join(', ')}. If it shows another, report a change.`
}

function homeBySwitches(document: Standing): CheckWords {
  const change = toolChangeWords(document.sheet.machine)
  return {
    title: 'Home',
    sentence: 'Home the machine and let it warm.',
    points: [
      document.sheet.machine.homing === 'axis-by-axis'
        ? 'Z up first, then X and Y. This machine homes each axis by itself: say which are home.'
        : 'Z up first, then X and Y.',
      'Spindle run warm as the manual asks, then stopped.',
      'Rows that are not used are cleared to zero.',
      commonOffset(document),
      ...(change === undefined ? [] : [change]),
      ...setterPoints(document.sheet),
    ],
    caution: GUARDS,
    done: 'It is home',
  }
}

function partZeroWords({ sheet }: Standing): CheckWords {
  const row = sheet.offsets[0]?.row ?? 'G54'
  return {
    title: 'Dials at part zero',
    sentence: `Drive to X0 Y0 of ${row}. Write the dials down.`,
    points: [
      'Z up. Come to each zero from the same side as at its mark.',
      'After a power cut they show whether the part is found again.',
    ],
    caution: GUARDS,
    done: 'Written down',
  }
}

function homeByMarks(document: Standing): CheckWords {
  return {
    title: 'Home by marks',
    sentence: 'Drive to the marks, zero, write the dials down.',
    points: [
      'Each axis to its end or mark, then back off by the agreed amount, from the same side every time.',
      'Zero there. Write down the dial and the coarse scale of each axis that has them: after a power cut they find this zero again.',
      commonOffset(document),
    ],
    caution: GUARDS,
    done: 'Zeroed here',
  }
}
