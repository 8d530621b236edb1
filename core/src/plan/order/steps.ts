import { proofKey } from '../../proof/proof-key'
import { proofsNeeded } from '../../proof/proofs-needed'
import { inOrderOfKeying } from './order-of-keying'
import type { Station, Step, StepState } from './step'
import type { CheckOff } from '../../facts/bodies/check-off'
import type { SetupDocument } from '../../facts/document'
import type { OffsetPlan } from '../../sheet/offset-plan'
import type { SetupSheet } from '../../sheet/sheet'
import type { Tool } from '../../sheet/tool'
import { isToolByTool } from '../../sheet/tool-rows'
import type { ZWay } from '../../schools/ways-of-z'
import { countedFrom } from '../../quantities/displayed'
import { quantityKey, type QuantityName } from '../../quantities/quantities'
import { circlePoints } from '../../solve/axes/centre'
import { edgeTouches } from '../../solve/axes/edges'
import { facesToTouch } from '../../solve/axes/plan-axes'
import { setWith } from '../../registers/set-with'
import type { Solution } from '../../solve/solution'
import type { TrustState } from '../../registers/register'
import { asksForPartZero } from '../recovery'
import { isStillTouched } from '../still-touched'
import { isAskedQuickly } from './quick-steps'
import { servedByCut, setWithTool, stopSteps } from './tool-by-tool'
import { stepState } from './step-state'

/**
 * Every step that this set-up needs, in the order of work, with what is done.
 * A nose touch is asked for only where the school or the way of finding Z needs it.
 */
export function stepsOf(
  document: SetupDocument,
  solution: Solution,
  recorded: boolean,
): readonly StepState[] {
  const { sheet } = document
  const read =
    (station: 'reference' | 'lengths' | 'plan' | 'height' | 'stops') =>
    (quantity: QuantityName): Step => ({
      key: quantityKey(quantity),
      station,
      does: 'read',
      quantity,
    })
  const check = (station: Station, of: CheckOff['of']): Step => ({
    key: of,
    station,
    does: 'check',
    check: of,
  })
  const byTool = isToolByTool(sheet)
  const lengths = (tool: Tool) => lengthQuantities(document, tool)
  const plan = sheet.offsets.flatMap((offset) => planQuantities(document, offset)).map(read('plan'))
  const height = [...noseOnFirstTop(document), ...sheet.offsets.flatMap(heightQuantities)].map(
    read('height'),
  )
  const keyIns = solution.registers.map(({ address }): Step => ({
    key: `key-in:${address}`,
    station: 'key-in',
    does: 'key-in',
    address,
  }))
  const proofs = proofsNeeded(document, solution).map(({ row, tool }): Step => ({
    key: proofKey({ row, tool }),
    station: 'prove',
    does: 'prove',
    row,
    tool,
  }))
  const beforeCutting = [
    ...(document.programs.length === 0 ? [] : [check('prove', 'program')]),
    check('prove', 'air-cut'),
  ]
  // X and Y stand in their rows by then; the first of all parts is found again by it.
  const partZero = asksForPartZero(document) ? [check('prove', 'part-zero')] : []
  const look = sheet.machine.policy?.secondLook === true ? [check('release', 'look')] : []
  // One tool at a time: what finds Z with the first of them is touched when its turn comes, what others find before it.
  const finders = sheet.tools.filter(({ number }) => findsRow(sheet, number))
  const called = new Set(setWith(document).map(({ tool }) => tool))
  const cutters = sheet.tools.filter(({ number }) => called.has(number))
  const firstReads = height.filter(
    (step) =>
      step.does === 'read' && 'tool' in step.quantity && step.quantity.tool === cutters[0]?.number,
  )
  const steps: readonly Step[] = [
    check('ready', 'home'),
    check('ready', 'clean'),
    { key: 'sheet', station: 'ready', does: 'sheet' },
    ...(sheet.gauges.length === 0 ? [] : [check('ready', 'gauges')]),
    ...(needsNoseTouch(document) ? [read('reference')({ of: 'nose-on-plane' })] : []),
    ...(byTool
      ? [
          check('plan', 'holding'),
          ...plan,
          ...[...noseFirst(document), ...planeUnderPart(document)].map(read('height')),
          ...finders
            .filter((tool) => tool !== cutters[0])
            .flatMap(lengths)
            .map(read('height')),
          ...height.filter((step) => !isIn(firstReads, step)),
          ...keyIns.filter((step) => setWithTool(step) === undefined),
          ...partZero,
          ...stopSteps(
            cutters.map((tool, index) => ({
              tool: tool.number,
              reads: [
                ...(index > 0 && finders.includes(tool) ? [] : lengths(tool)).map(read('stops')),
                ...(index > 0 ? [] : firstReads),
              ],
              proofs: proofs.filter((step) => step.does === 'prove' && step.tool === tool.number),
            })),
            keyIns,
            beforeCutting,
            look,
          ),
          check('release', 'first-part'),
        ]
      : [
          // Where the tools are touched on the part, it is held before the first of them.
          ...(touchesOnPart(sheet) ? [check('lengths', 'holding')] : []),
          ...noseFirst(document).map(read('lengths')),
          ...planeUnderPart(document).map(read('lengths')),
          ...sheet.tools.flatMap(lengths).map(read('lengths')),
          ...(touchesOnPart(sheet) ? [] : [check('plan', 'holding')]),
          ...plan,
          ...height,
          ...keyIns,
          ...partZero,
          ...proofs,
          ...beforeCutting,
          check('release', 'first-part'),
          ...look,
        ]),
    { key: 'record', station: 'release', does: 'record' },
  ]
  const needed = steps.filter(isStillTouched(document))
  const toDo = sheet.quick === undefined ? needed : needed.filter(isAskedQuickly(sheet))
  return inOrderOfKeying(document, toDo).map((step) =>
    servedByCut(document, stepState(step, document, solution, recorded)),
  )
}

/** Whether no tool can be set before this one was touched: a row is found by it, or all are compared with it. */
const findsRow = ({ offsets, school, reference }: SetupSheet, tool: number): boolean =>
  offsets.some(({ Z }) => Z.by === 'tool-on-part' && Z.tool === tool) ||
  (school === 'master-tool' && reference?.masterTool === tool)

const isIn = (steps: readonly Step[], { key }: Step): boolean =>
  steps.some((one) => one.key === key)

/** Lengths are touched on the first part itself: no tool needs a plane. */
const touchesOnPart = ({ offsets }: SetupSheet): boolean => offsets[0]?.Z.by === 'part-top'

/** Touched on the part and counted from the nose: the nose is touched there as well, and what it reads is its height too. */
const noseFirst = ({ sheet }: Pick<SetupDocument, 'sheet'>): readonly QuantityName[] => {
  const [first] = sheet.offsets
  return first !== undefined && touchesOnPart(sheet) && sheet.school === 'gauge-line'
    ? [{ of: 'nose-on-part', row: first.row }]
    : []
}

const finds = ({ offsets }: SetupSheet, way: ZWay): boolean => offsets.some(({ Z }) => Z.by === way)

/**
 * The gauge line counts from the nose, Z by bare nose on the part needs it to know the plane, and a row that keeps
 * the plane is where it touches; a tool or sensor of known length finds the plane in its place.
 */
function needsNoseTouch(document: SetupDocument): boolean {
  const { sheet } = document
  const onPart = touchesOnPart(sheet)
  // Zeroed by the nose for each tool, the counter shows lengths, and the plane itself is not asked for.
  const byNoseEach = document.readings.some(
    (reading) => reading.of === 'tip-on-plane' && countedFrom(reading) === null,
  )
  if (!onPart && sheet.tools.some(({ length }) => length !== undefined)) return false
  return (
    (!onPart && sheet.school === 'gauge-line' && !byNoseEach) ||
    sheet.reference?.planeRow !== undefined ||
    (!onPart && finds(sheet, 'nose-on-part'))
  )
}

/** A later part that is found by the bare nose is compared with the first one by it, where no plane is touched. */
function noseOnFirstTop({ sheet }: SetupDocument): readonly QuantityName[] {
  const [first] = sheet.offsets
  if (noseFirst({ sheet }).length > 0) return []
  return first !== undefined && touchesOnPart(sheet) && finds(sheet, 'nose-on-part')
    ? [{ of: 'nose-on-part', row: first.row }]
    : []
}

/** A difference from the plane to a later part needs the first one's height above it: one tool touches both. */
function planeUnderPart({ sheet }: SetupDocument): readonly QuantityName[] {
  const [tool] = sheet.tools
  return tool !== undefined && touchesOnPart(sheet) && finds(sheet, 'carried-difference')
    ? [{ of: 'tip-on-plane', tool: tool.number }]
    : []
}

/** What is read of a tool: its touch, unless its length is known and nothing else needs it. */
function lengthQuantities({ sheet }: SetupDocument, tool: Tool): readonly QuantityName[] {
  const [first] = sheet.offsets
  const onPart = touchesOnPart(sheet)
  const findsPlane = sheet.tools.find(({ length }) => length !== undefined)?.number === tool.number
  const touch: QuantityName =
    onPart && first !== undefined
      ? { of: 'tip-on-part', tool: tool.number, row: first.row }
      : { of: 'tip-on-plane', tool: tool.number }
  return [
    ...(isTouched(sheet, tool, findsPlane, onPart) ? [touch] : []),
    ...(tool.diameterRegister === undefined
      ? []
      : [{ of: 'tool-diameter', tool: tool.number } as const]),
  ]
}

/** A tool whose length is known is touched only to find the plane with it, or where lengths are counted from what it touches. */
function isTouched(sheet: SetupSheet, tool: Tool, findsPlane: boolean, onPart: boolean): boolean {
  if (onPart) return sheet.school !== 'gauge-line' || tool.length === undefined
  return (tool.length === undefined && !standsAlone(sheet, tool)) || findsPlane
}

/** A master that nothing is compared with, neither another tool nor the plane, needs no touch of its own. */
function standsAlone({ school, reference, tools, offsets }: SetupSheet, tool: Tool): boolean {
  return (
    school === 'master-tool' &&
    reference?.masterTool === tool.number &&
    tools.length === 1 &&
    offsets.every(({ Z }) => Z.by === 'tool-on-part' || Z.by === 'fixture-difference')
  )
}

/** Fewer touches than this fit any circle, and prove nothing. */
const CIRCLE_TOUCHES = 4

/** The faces, the touches around a circle, or the sweep that X and Y are found by. */
function planQuantities(document: SetupDocument, offset: OffsetPlan): readonly QuantityName[] {
  const { row } = offset
  const ways = new Set([offset.X.by, offset.Y.by])
  const read = circlePoints(document, row).map(({ point }) => point)
  const points = Math.max(CIRCLE_TOUCHES, ...read)
  return [
    ...(['X', 'Y'] as const).flatMap((axis) =>
      facesToTouch(axis, offset[axis]).map((face): QuantityName => ({ of: 'face', row, face })),
    ),
    ...edgeTouches(document, offset),
    ...(ways.has('circle')
      ? Array.from({ length: points }, (_, index): QuantityName => ({
          of: 'circle-point',
          row,
          point: index + 1,
        }))
      : []),
    ...(ways.has('sweep') ? [{ of: 'sweep', row } as const] : []),
  ]
}

function heightQuantities({ row, Z }: OffsetPlan): readonly QuantityName[] {
  switch (Z.by) {
    case 'part-top':
      return []
    case 'tool-on-part':
      return [{ of: 'tip-on-part', tool: Z.tool, row }]
    case 'fixture-difference':
      return [{ of: 'fixture-difference', row, from: Z.from }]
    case 'nose-on-part':
    case 'carried-difference':
      return [{ of: Z.by, row }]
  }
}

/** The first thing that is still to do; undefined when the set-up is recorded and complete. */
export function nextStep(states: readonly StepState[]): StepState | undefined {
  return states.find(({ done }) => !done)
}

/** From the least certain on. */
const FROM_LEAST: readonly TrustState[] = ['stale', 'not-read', 'read', 'keyed', 'proven']

/** A station is as far as its least certain step. */
export function stationTrust(
  states: readonly StepState[],
  station: Station,
): TrustState | undefined {
  const here = states.filter(({ step }) => step.station === station)
  if (here.length === 0) return undefined
  return FROM_LEAST.find((trust) =>
    here.some((state) => (state.done ? state.trust : openTrust(state)) === trust),
  )
}

/** A step that is open is not read, unless it asks for something to be read again. */
const openTrust = ({ trust }: StepState): TrustState => (trust === 'stale' ? 'stale' : 'not-read')
