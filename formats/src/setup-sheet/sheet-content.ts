import { registerName } from '@pine/core/address'
import { viewSolution, type SolutionView } from '@pine/contract'
import { isReleased, type SetupDocument } from '@pine/core/facts'
import { formatLength, nanometresOf, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { ladderOf, planViewOf, type Ladder, type PlanView } from '@pine/core/picture'
import type { ToolAssembly } from '@pine/core/shop'
import { type Solution } from '@pine/core/solve'
import {
  describeDay,
  describeSheet,
  describeZeroHeight,
  lengthWords,
  typographic,
} from '@pine/core/words'
import { momentOnPaper } from '../moment'

/** What the shop knows beside the set-up. What is not known is left blank on the sheet. */
export interface ShopBeside {
  /** The tool in its holder, by its id. */
  readonly tools: ReadonlyMap<string, ToolAssembly>
  /** When each gauge is to be checked next, by its id: `2027-02-14`. */
  readonly gaugesDue: ReadonlyMap<string, string>
}

export interface SheetRequest {
  readonly by: string
  /** ISO 8601. */
  readonly at: string
  /** Minutes that their clock is east of UTC. */
  readonly zone: number | undefined
  /** SHA-256 of the set-up's file. */
  readonly hash: string
  /** Where the set-up is open now. */
  readonly link: string
}

/** How far a number is to be trusted, in the words of the sheet: no colour tells it. */
const STATES: Readonly<Record<SolutionView['registers'][number]['state'], string>> = {
  'not-read': 'not measured',
  read: 'not keyed',
  keyed: 'read back',
  proven: 'proven',
  stale: 'NO LONGER VALID',
}

/** A number as it stands in the control, with how sure it is and who keyed it. */
export interface SheetNumber {
  readonly register: string
  readonly value: string
  readonly sureTo: string
  readonly state: string
  /** It must not be used: struck through on the paper. */
  readonly isStale: boolean
  readonly by: string
}

export interface SheetTool {
  readonly T: string
  readonly name: string
  readonly holder: string
  readonly stickOut: string
  readonly pocket: string
  /** Its length, or Z of each row where that is set anew with each tool; and its diameter. */
  readonly numbers: readonly SheetNumber[]
}

export interface SheetRow {
  readonly row: string
  readonly X: SheetNumber | undefined
  readonly Y: SheetNumber | undefined
  readonly Z: SheetNumber | undefined
}

/** Everything that stands on a set-up sheet, in its order. */
export interface SheetContent {
  readonly job: string
  readonly machine: string
  readonly unit: LengthUnit
  /** Who released it and when; absent where nobody has. */
  readonly released?: string
  readonly about: readonly (readonly [name: string, says: string])[]
  readonly plan?: PlanView
  readonly ladder: Ladder
  readonly rows: readonly SheetRow[]
  readonly tools: readonly SheetTool[]
  readonly gauges: readonly (readonly [name: string, size: string, due: string])[]
  /** The program that it was read with, in lines. */
  readonly program: readonly string[]
  readonly warnings: readonly string[]
  readonly cautions: readonly string[]
  readonly printed: string
  readonly hash: string
  readonly link: string
}

/** Source: docs/domain.md, “Cautions”. */
const CAUTIONS = [
  'A wrong offset crashes the machine: prove after every change, single block, rapid at its lowest, a thumb on feed hold.',
  'Follow the machine maker’s manual, local law and the shop’s rules. A qualified person does electrical work.',
  'No sensor in a turning spindle. Clip and plate off before the start. Eye protection, no loose sleeves, guards closed.',
]

/** The set-up sheet: what is to be seen at the machine without a screen. */
export function sheetContent(
  document: SetupDocument,
  solution: Solution,
  { tools, gaugesDue }: ShopBeside,
  { by, at, zone, hash, link }: SheetRequest,
): SheetContent {
  const { sheet } = document
  const view = viewSolution(document, solution)
  const number = (address: string) => numberAt(address, view, document)
  const [first] = sheet.offsets
  const release = document.records.at(-1)
  return {
    job: sheet.name,
    machine: sheet.machine.name,
    unit: solution.unit,
    ...(isReleased(document) &&
      release !== undefined && {
        released: `Released by ${release.by.name}, ${momentOnPaper(release.at, zone)}`,
      }),
    about: aboutOf(document, solution),
    ...(first !== undefined && { plan: planViewOf(document, solution, first) }),
    ladder: ladderOf(document, solution),
    rows: sheet.offsets.map(({ row }) => ({
      row,
      X: number(`${row}.X`),
      Y: number(`${row}.Y`),
      Z: number(`${row}.Z`),
    })),
    tools: sheet.tools.map(({ number: T, name, assembly, lengthRegister, diameterRegister }) => {
      const kept = assembly === undefined ? undefined : tools.get(assembly)
      return {
        T: `T${T}`,
        name,
        holder: kept?.holder?.name ?? '',
        stickOut: kept?.stickOut === undefined ? '' : lengthWords(kept.stickOut),
        pocket: kept?.place === undefined ? '' : String(kept.place.pocket),
        numbers: [
          ...sheet.offsets.map(({ row }) => named(`${row} Z`, number(`${row}.Z.T${T}`))),
          number(`H${lengthRegister}`),
          number(`D${diameterRegister}`),
        ].filter((one) => one !== undefined),
      }
    }),
    gauges: sheet.gauges.map(({ id, name, size }) => {
      const due = gaugesDue.get(id)
      return [name, lengthWords(size), due === undefined ? '' : describeDay(due)] as const
    }),
    program: programOf(document),
    warnings: view.warnings.map(({ message }) => message),
    cautions: CAUTIONS,
    printed: `Printed for ${by}, ${momentOnPaper(at, zone)}`,
    hash,
    link,
  }
}

/** Beside its tool a row needs no more than its own name. */
const named = (register: string, number: SheetNumber | undefined): SheetNumber | undefined =>
  number && { ...number, register }

function numberAt(
  address: string,
  { registers }: SolutionView,
  { keyIns, readBacks }: SetupDocument,
): SheetNumber | undefined {
  const found = registers.find((one) => one.address === address)
  if (found === undefined) return undefined
  const seen = [...keyIns, ...readBacks]
    .filter((one) => one.address === address)
    .toSorted((one, other) => one.place - other.place)
    .at(-1)
  return {
    register: registerName(address),
    value: found.value === null ? '' : typographic(found.value),
    sureTo: found.uncertainty === null ? '' : `±${found.uncertainty.expanded}`,
    state: STATES[found.state],
    isStale: found.state === 'stale',
    by: seen === undefined ? '' : seen.by.name,
  }
}

function aboutOf(
  document: SetupDocument,
  { holding, unit, decimals }: Solution,
): SheetContent['about'] {
  const { sheet } = document
  const [general] = describeSheet(sheet)
  const declared = new Map(general?.lines)
  const [first] = sheet.offsets
  return [
    ['Lengths', declared.get('Lengths') ?? ''],
    ['Zero', [declared.get('Zero'), first && zeroHeight(first.Z.facing)].join('; Z zero: ')],
    ['Stock X Y Z', declared.get('Stock X Y Z') ?? ''],
    ['Setting plane', sheet.plane],
    ...(sheet.holding === undefined
      ? []
      : [
          [
            'Held',
            `jaws ${lengthWords(sheet.holding.jaw)}, parallels ${lengthWords(sheet.holding.parallels)}${holding === undefined ? '' : `, grip ${formatLength(holding.grip, unit, decimals)} ${unit}`}`,
          ] as const,
        ]),
  ]
}

/** Where zero lies in Z: `stock top`, or by how much below it. */
const zeroHeight = (facing: WrittenLength): string =>
  nanometresOf(facing) === 0
    ? describeZeroHeight('top', facing)
    : describeZeroHeight('below', facing)

function programOf({ programs, programChecks }: SetupDocument): SheetContent['program'] {
  const last = programs.at(-1)
  if (last === undefined) return []
  const isSame = programChecks.at(-1)?.sha256 === last.sha256
  return [
    `${last.name}, ${last.reading.lines} lines, revision ${programs.length}; the file at the machine is ${isSame ? 'the same, compared' : 'not compared'}`,
    `SHA-256 ${last.sha256}`,
  ]
}
