import type { TouchPlanAnswer } from '@pine/contract'
import { minutesOfPlan, sheetAsPlanned, type PlanKept, type PlannedTouch } from '@pine/core/planner'
import type { SetupSheet } from '@pine/core/sheet'
import {
  describeMinutes,
  describeOtherWay,
  describePlan,
  describeWayMinutes,
  describeWaySureness,
  gaugeNames,
} from '@pine/core/words'

/** What somebody made of the plan that was proposed. */
export interface PlanDraft {
  /** Tools in the order in which they are touched. */
  readonly order: readonly number[]
  /** The way of each, where another than the proposed one was chosen. */
  readonly ways: Readonly<Record<number, number>>
  readonly leftOut: readonly { readonly tool: number; readonly reason: string }[]
}

/** One touch as it stands in the plan. */
export interface PlanLine {
  readonly tool: number
  readonly name: string
  /** Where it is, and with what it is touched. */
  readonly how: string
  /** How long it takes, and whether it is only to check what is taken over. */
  readonly takes: string
  /** By what it is known how long it takes. */
  readonly timed: string
  readonly sure: string
  readonly isUnsure: boolean
  readonly why: string
  readonly ways: readonly { readonly value: string; readonly label: string }[]
  readonly chosen: string
}

export interface PlanView {
  readonly title: string
  /** Between which times half of the days lie, and what moving things about has cost. */
  readonly about: string
  /** It is as it was proposed. */
  readonly isProposed: boolean
  readonly lines: readonly PlanLine[]
  readonly kept: readonly { readonly tool: number; readonly name: string; readonly why: string }[]
  readonly leftOut: readonly {
    readonly tool: number
    readonly name: string
    readonly reason: string
  }[]
  /** The plan as it would be kept on the sheet. */
  readonly keeps: PlanKept
  /** There is something to work by: touches are left, or something was put otherwise. */
  readonly isWork: boolean
}

/** The plan as the server proposes it; what the sheet leaves out is left out. */
export const proposedPlan = (answer: TouchPlanAnswer, { leftOut = [] }: SetupSheet): PlanDraft => ({
  order: answer.touches.map(({ tool }) => tool),
  ways: {},
  leftOut: leftOut.map(({ tool, reason }) => ({ tool: tool.number, reason })),
})

/** What is shown of a plan: it is counted anew in whichever order it stands. */
export function planView(answer: TouchPlanAnswer, draft: PlanDraft, sheet: SetupSheet): PlanView {
  const touches = touchesOf(answer, draft)
  const minutes = minutesOfPlan(touches, answer.times)
  const proposed = proposedPlan(answer, sheet)
  const isProposed = JSON.stringify(draft) === JSON.stringify(proposed)
  const nameOf = (tool: number) =>
    [...sheet.tools, ...(sheet.leftOut ?? []).map((one) => one.tool)].find(
      ({ number }) => number === tool,
    )?.name ?? ''
  return {
    title:
      touches.length === 0
        ? 'Nothing is left to touch.'
        : describePlan(touches.length, minutes.median),
    about: aboutWords(minutes, answer, isProposed),
    isProposed,
    lines: touches.map((touch) => lineOf(touch, answer, sheet, nameOf(touch.tool))),
    kept: answer.kept.map(({ tool, why }) => ({ tool, name: nameOf(tool), why })),
    leftOut: draft.leftOut.map(({ tool, reason }) => ({ tool, name: nameOf(tool), reason })),
    isWork: touches.length > 0 || !isProposed,
    keeps: {
      touches: touches.map(({ tool, ways, chosen }) => ({ tool, with: ways[chosen]?.with ?? [] })),
      leftOut: draft.leftOut,
    },
  }
}

const touchesOf = (answer: TouchPlanAnswer, { order, ways, leftOut }: PlanDraft) =>
  order
    .filter((tool) => leftOut.every((one) => one.tool !== tool))
    .flatMap((tool) => answer.touches.filter((touch) => touch.tool === tool))
    .map((touch) => ({ ...touch, chosen: ways[touch.tool] ?? touch.chosen }))

function aboutWords(
  { lower, upper, median }: TouchPlanAnswer['minutes'],
  answer: TouchPlanAnswer,
  isProposed: boolean,
): string {
  if (median === 0) return ''
  const between = `On half of the days between ${Math.round(lower)} and ${Math.round(upper)} minutes.`
  if (isProposed) return between
  const apart = median - answer.minutes.median
  if (Math.abs(apart) < 0.05) return `${between} As quick as what was proposed.`
  return `${between} ${Math.abs(apart).toFixed(1)} minutes ${apart > 0 ? 'longer' : 'less'} than what was proposed.`
}

function lineOf(
  touch: Omit<PlannedTouch, 'change'> & { readonly why: string; readonly check: boolean },
  { times }: TouchPlanAnswer,
  sheet: SetupSheet,
  name: string,
): PlanLine {
  const chosen = touch.ways[touch.chosen]
  const withWhat = (gauges: readonly string[]) => gaugeNames({ sheet }, gauges) || 'the bare tip'
  const place =
    times.changer === undefined
      ? ''
      : touch.pocket === undefined
        ? 'by hand, '
        : `pocket ${touch.pocket}, `
  return {
    tool: touch.tool,
    name,
    how: chosen === undefined ? '' : `${place}${withWhat(chosen.with)}`,
    takes:
      chosen === undefined
        ? ''
        : `${touch.check ? 'check, ' : ''}${describeMinutes(chosen.minutes.median)}`,
    timed: chosen === undefined ? '' : describeWayMinutes(chosen),
    sure: chosen === undefined ? '' : describeWaySureness(chosen),
    isUnsure: chosen?.fitness === 'undecided' || chosen?.fitness === 'unfit',
    why: touch.why,
    ways: touch.ways.map((way, index) => ({
      value: String(index),
      label:
        chosen === undefined || way === chosen
          ? withWhat(way.with)
          : `${withWhat(way.with)}: ${describeOtherWay(way, chosen)}`,
    })),
    chosen: String(touch.chosen),
  }
}

/** The sheet by which a plan is worked; undefined where it is worked so already, and a new one would only open a release again. */
export function sheetToKeep(sheet: SetupSheet, { keeps }: PlanView): SetupSheet | undefined {
  const planned = sheetAsPlanned(sheet, keeps)
  return asPlanned(planned) === asPlanned(sheet) ? undefined : planned
}

/** What a sheet says of its plan. */
const asPlanned = ({ tools, leftOut = [] }: SetupSheet): string =>
  JSON.stringify([
    tools.map(({ number, touchWith }) => [number, touchWith]),
    leftOut.map(({ tool, reason }) => [tool.number, reason]),
  ])

/** A tool is touched at another place in the order. */
export const moved = (draft: PlanDraft, tool: number, to: number): PlanDraft => {
  const rest = draft.order.filter((one) => one !== tool)
  return { ...draft, order: [...rest.slice(0, to), tool, ...rest.slice(to)] }
}

/** A tool is touched another way. */
export const touchedBy = (draft: PlanDraft, tool: number, way: number): PlanDraft => ({
  ...draft,
  ways: { ...draft.ways, [tool]: way },
})

/** A tool is left out, with the reason; or comes back. */
export const leftOutOf = (
  draft: PlanDraft,
  tool: number,
  reason: string | undefined,
): PlanDraft => ({
  ...draft,
  leftOut: [
    ...draft.leftOut.filter((one) => one.tool !== tool),
    ...(reason === undefined ? [] : [{ tool, reason }]),
  ],
})
