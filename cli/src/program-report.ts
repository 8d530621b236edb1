import { type SetupDocument } from '@pine/core/facts'
import { formatLength, type LengthUnit, type Nanometres } from '@pine/core/length'
import { type Extents, type Operation, type ProgramReading } from '@pine/core/program'
import { bySeverity, judgeAll, machineExtents } from '@pine/core/running'
import { solve, type Solution } from '@pine/core/solve'
import { describeCutting, describeJudgement, describeProgramProblem } from '@pine/core/words'

/** A program's summary and judgements as data, the dangers first, all lengths as text. */
export function programView(reading: ProgramReading, setup: SetupDocument | undefined) {
  const unit = setup?.sheet.unit ?? reading.unit ?? 'mm'
  const write = writer(unit)
  const solution = setup && solve(setup)
  const judgements =
    setup && solution ? judgeAll(reading, setup, solution) : bySeverity(reading.judgements)
  return {
    unit,
    programUnit: reading.unit,
    lines: reading.lines,
    header: reading.header,
    operations: reading.operations.map((operation) => ({
      ...operationView(operation, unit),
      machineExtents: setup && solution ? inMachine(operation, setup, solution, write) : {},
    })),
    problems: reading.problems.map((problem) => ({
      ...problem,
      text: describeProgramProblem(problem),
    })),
    judgements: judgements.map((judgement) => ({
      code: judgement.code,
      severity: judgement.severity,
      line: judgement.line,
      excerpt: judgement.excerpt,
      ...describeJudgement(judgement, write),
    })),
  }
}

/** The same as text: operations, then what is to be looked at, the dangers first. */
export function programTable(
  name: string,
  reading: ProgramReading,
  setup: SetupDocument | undefined,
): string {
  const view = programView(reading, setup)
  return [
    `${name}: ${view.lines} lines`,
    ...view.header.map((comment) => `  (${comment})`),
    ...view.operations.flatMap((one) => [
      '',
      `${one.tool === null ? 'before any tool' : `T${one.tool}`}${one.name === null ? '' : ` ${one.name}`}  H ${list(one.lengths)}  D ${list(one.diameters)}${one.uncertain ? '  NOT ALL FOLLOWED' : ''}`,
      ...Object.entries(one.extents).map(
        ([row, axes]) => `  ${row}  ${rangesText(axes)} ${view.unit}`,
      ),
      ...Object.entries(one.machineExtents).map(
        ([row, axes]) => `  machine, ${row}  ${rangesText(axes)} ${view.unit}`,
      ),
      `  ${[...describeCutting(one, view.programUnit), '']
        .join('   ')
        .trimStart()}at feed ${one.cutMm.toFixed(0)} mm, ${one.cutMinutes.toFixed(1)} min; at rapid ${one.rapidMm.toFixed(0)} mm`,
    ]),
    '',
    ...view.judgements.flatMap(({ severity, line, excerpt, title, why, remedy }) => [
      `${severity.toUpperCase()}  line ${line}: ${title}${excerpt === '' ? '' : `   ${excerpt}`}`,
      `    ${why} ${remedy}`,
    ]),
    ...view.problems.map(
      ({ line, column, excerpt, text }) =>
        `NOT READ  line ${line}, column ${column}: ${text}   ${excerpt}`,
    ),
    '',
  ].join('\n')
}

function operationView(operation: Operation, unit: LengthUnit) {
  const write = writer(unit)
  return {
    tool: operation.tool ?? null,
    name: operation.name ?? null,
    line: operation.from.line,
    lengths: operation.lengths.map(({ register }) => register),
    diameters: operation.diameters.map(({ register }) => register),
    extents: Object.fromEntries(
      operation.rows.map(({ row, extents }) => [row, written(extents, write)]),
    ),
    lowestZ: operation.lowestZ
      ? { z: write(operation.lowestZ.z), line: operation.lowestZ.at.line }
      : null,
    firstApproach: operation.firstApproach?.line ?? null,
    speeds: operation.speeds,
    feeds: operation.feeds,
    cutMm: operation.cutMm,
    rapidMm: operation.rapidMm,
    cutMinutes: operation.cutMinutes,
    uncertain: operation.uncertain,
  }
}

function inMachine(
  operation: Operation,
  setup: SetupDocument,
  solution: Solution,
  write: (nm: Nanometres) => string,
): Record<string, WrittenExtents> {
  return Object.fromEntries(
    machineExtents(operation, setup, solution).map(({ row, extents }) => [
      row,
      written(extents, write),
    ]),
  )
}

type WrittenExtents = ReturnType<typeof written>

const rangesText = (axes: WrittenExtents): string =>
  Object.entries(axes)
    .map(([axis, [low, high]]) => `${axis} ${low} … ${high}`)
    .join('   ')

const written = (extents: Extents, write: (nm: Nanometres) => string) =>
  Object.fromEntries(
    Object.entries(extents).map(([axis, [low, high]]) => [axis, [write(low), write(high)]]),
  )

const writer = (unit: LengthUnit) => (nm: Nanometres) =>
  formatLength(nm, unit, unit === 'mm' ? 3 : 4)

const list = (registers: readonly number[]): string =>
  registers.length === 0 ? '–' : registers.join(', ')
