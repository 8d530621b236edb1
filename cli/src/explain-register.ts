import { axisOfAddress } from '@pine/core/address'
import { traceOf, valueOf } from '@pine/core/chain'
import { type SetupDocument } from '@pine/core/facts'
import { formatLength, NANOMETRES_PER, toNanometres } from '@pine/core/length'
import { ladderOf } from '@pine/core/picture'
import { adviceForRegister, type Register } from '@pine/core/registers'
import { needOf, toolOfRegister } from '@pine/core/sheet'
import { solve, type Solution } from '@pine/core/solve'
import {
  describeAdvice,
  describeStale,
  describeFrame,
  describeRole,
  describeTerm,
  describeVerdict,
  saysSomething,
  rungName,
} from '@pine/core/words'

/** Trace, uncertainty and ladder of one register as text; undefined where there is no such register. */
export function explainRegister(document: SetupDocument, address: string): string | undefined {
  const solution = solve(document)
  const register = solution.registers.find((one) => one.address === address)
  if (register === undefined) return undefined
  const { unit, decimals } = solution
  if (register.value === undefined) return `${address} is not read yet.\n`
  const lines = [
    `${address} = ${formatLength(register.value, unit, decimals)} ${unit} (${register.state}${register.stale ? `: ${describeStale(register.stale, document.sheet.gauges)}` : ''})`,
    ...traceLines(register),
    ...budgetLines(document, register, solution),
    ...(register.kind !== 'diameter' && axisOfAddress(register.address) === 'Z'
      ? ladderLines(document, solution, register)
      : []),
  ]
  return `${lines.join('\n')}\n`
}

function traceLines({ chain }: Register): readonly string[] {
  if (chain === undefined) return []
  return traceOf(chain)
    .filter(saysSomething)
    .map(
      (line, index) =>
        `  ${describeTerm(line, index === 0)} ${line.unit}  ${describeRole(line.role)} (${line.name})${line.by === undefined ? '' : `, ${line.by} ${line.at}`}`,
    )
}

function budgetLines(
  document: SetupDocument,
  register: Register,
  { unit, decimals }: Solution,
): readonly string[] {
  const { address, budget, fitness } = register
  if (budget === undefined) return []
  const write = (mm: number) =>
    formatLength(toNanometres(mm * NANOMETRES_PER.mm), unit, Math.min(decimals + 1, 6))
  const need = needOf(document.sheet, address)?.written
  const advice = adviceForRegister(document, register)
  return [
    '',
    `  sure to ±${write(budget.expandedMm)} ${unit} (95 %, k = ${budget.coverageFactor.toFixed(2)})${fitness === undefined ? '' : `; need ±${need?.text} ${need?.unit}: ${describeVerdict(fitness)}`}`,
    ...budget.lines.map(
      ({ source, contributionMm }) => `    ${write(contributionMm)}  ${source.name}`,
    ),
    ...(advice === undefined ? [] : [`  better: ${describeAdvice(advice)}`]),
  ]
}

function ladderLines(
  document: SetupDocument,
  solution: Solution,
  { address }: Register,
): readonly string[] {
  const tool = axisOfAddress(address) === 'Z' ? toolOfRegister(document.sheet, address) : undefined
  const ladder = ladderOf(
    document,
    solution,
    tool === undefined ? undefined : { of: 'tip-on-plane', tool },
  )
  const { unit, decimals } = solution
  const rungs = [...ladder.rungs].sort((a, b) => b.height - a.height)
  return [
    '',
    `  ${describeFrame(ladder.frame)}, ${unit}`,
    ...rungs.map(
      ({ key, label }) =>
        `  ${rungName(key).padStart(9)} ───────── ${label === undefined ? 'not read' : formatLength(valueOf(label), unit, decimals)}`,
    ),
  ]
}
