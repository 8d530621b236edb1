import { AXES } from '@pine/core/address'
import { LIFT_PLACES, READ_BACK_MOMENTS, SHORT_READ_BACKS } from '@pine/core/facts'
import { LENGTH_UNITS } from '@pine/core/length'
import { SCHOOLS } from '@pine/core/schools'
import { KEYINGS, STAYS_PUT } from '@pine/core/sheet'
import { FACES } from '@pine/core/touch'
import { z } from 'zod'
import {
  address,
  byAxis,
  factId,
  gaugeIds,
  keyMode,
  name,
  reason,
  registerNumber,
  row,
  side,
  spindleSchema,
  words,
  writtenLengthSchema,
} from './fields'
import { gaugeSchema } from './gauge-schema'
import { machineDeclarationSchema } from './machine-declaration-schema'

export const toolSchema = z.strictObject({
  number: registerNumber,
  name,
  assembly: z.uuid().optional(),
  lengthRegister: registerNumber.optional(),
  length: writtenLengthSchema.optional(),
  lengthUncertainty: writtenLengthSchema.optional(),
  lastLength: writtenLengthSchema.optional(),
  rough: writtenLengthSchema.optional(),
  diameter: writtenLengthSchema.optional(),
  diameterRegister: registerNumber.optional(),
  programDiameter: writtenLengthSchema.optional(),
  touchWith: gaugeIds.optional(),
})

export const axisPlanSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('one-face'),
    face: z.enum(FACES),
    side,
    drawing: writtenLengthSchema,
  }),
  z.strictObject({
    by: z.literal('two-faces'),
    side,
    size: writtenLengthSchema.optional(),
    tolerance: writtenLengthSchema.optional(),
    drawing: writtenLengthSchema,
  }),
  z.strictObject({
    by: z.literal('circle'),
    side,
    diameter: writtenLengthSchema,
    tolerance: writtenLengthSchema,
    drawing: writtenLengthSchema,
  }),
  z.strictObject({ by: z.literal('sweep'), side, drawing: writtenLengthSchema }),
  z.strictObject({
    by: z.literal('turned-corner'),
    face: z.enum(FACES),
    drawing: writtenLengthSchema,
  }),
])

const zCommon = {
  facing: writtenLengthSchema,
  quill: z
    .strictObject({
      measured: writtenLengthSchema,
      running: writtenLengthSchema,
      uncertainty: writtenLengthSchema.optional(),
    })
    .optional(),
}

export const zPlanSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.enum(['carried-difference', 'nose-on-part']), ...zCommon }),
  z.strictObject({ by: z.literal('part-top'), ...zCommon }),
  z.strictObject({ by: z.literal('tool-on-part'), tool: registerNumber, ...zCommon }),
  z.strictObject({ by: z.literal('fixture-difference'), from: row, ...zCommon }),
])

export const offsetPlanSchema = z.strictObject({
  row,
  X: axisPlanSchema,
  Y: axisPlanSchema,
  Z: zPlanSchema,
  edge: z.strictObject({ face: z.enum(FACES), tolerance: writtenLengthSchema }).optional(),
  spared: z.array(z.enum(FACES)).max(4).optional(),
})

export const setupSheetSchema = z.strictObject({
  name,
  unit: z.enum(LENGTH_UNITS),
  machineId: z.uuid().optional(),
  machine: machineDeclarationSchema,
  school: z.enum(SCHOOLS),
  reference: z
    .strictObject({
      constant: writtenLengthSchema.optional(),
      constantUncertainty: writtenLengthSchema.optional(),
      masterLengthUncertainty: writtenLengthSchema.optional(),
      masterTool: registerNumber.optional(),
      masterLength: writtenLengthSchema.optional(),
      planeRow: row.optional(),
    })
    .optional(),
  needs: z
    .strictObject({
      depth: writtenLengthSchema.optional(),
      position: writtenLengthSchema.optional(),
    })
    .optional(),
  quick: z.enum(['lengths', 'row', 'recheck']).optional(),
  keying: z.enum(KEYINGS).optional(),
  zero: words,
  plane: name,
  stock: z
    .strictObject({ X: writtenLengthSchema, Y: writtenLengthSchema, Z: writtenLengthSchema })
    .optional(),
  holding: z
    .strictObject({
      jaw: writtenLengthSchema,
      parallels: writtenLengthSchema,
      sideCut: writtenLengthSchema.optional(),
      plane: z.literal('jaws').optional(),
      against: z
        .strictObject({ jaw: z.enum(FACES).optional(), stop: z.enum(FACES).optional() })
        .optional(),
    })
    .optional(),
  stood: z
    .strictObject({
      plane: writtenLengthSchema.optional(),
      faces: z
        .array(
          z.strictObject({
            row,
            face: z.enum(FACES),
            at: writtenLengthSchema,
            against: z.enum(STAYS_PUT).optional(),
          }),
        )
        .max(400)
        .optional(),
    })
    .optional(),
  gauges: z.array(gaugeSchema).max(200),
  tools: z.array(toolSchema).min(1).max(1000),
  leftOut: z
    .array(z.strictObject({ tool: toolSchema, reason }))
    .max(1000)
    .optional(),
  offsets: z.array(offsetPlanSchema).min(1).max(100),
})

export const keyInSchema = z.strictObject({ address, mode: keyMode, typed: writtenLengthSchema })

export const readBackSchema = z.strictObject({
  address,
  moment: z.enum(READ_BACK_MOMENTS),
  shown: writtenLengthSchema,
  way: z.enum(SHORT_READ_BACKS).optional(),
})
const measured = z.strictObject({
  feature: z.enum(['outside-width', 'inside-width', 'floor-depth', 'thickness']),
  tool: registerNumber,
  nominal: writtenLengthSchema,
  measured: writtenLengthSchema,
  more: z.array(writtenLengthSchema).max(100).optional(),
  sides: z.union([z.literal(1), z.literal(2)]).optional(),
})
const machineAxis = z.enum(['X', 'Y', 'Z'])
export const eventSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('part-changed'),
    row,
    stays: z
      .strictObject({ faces: z.array(z.enum(FACES)).max(FACES.length), top: z.boolean() })
      .optional(),
  }),
  z.strictObject({ kind: z.literal('plane-moved') }),
  z.strictObject({ kind: z.literal('tool-changed'), tool: registerNumber }),
  z.strictObject({ kind: z.literal('home-lost') }),
  z.strictObject({ kind: z.literal('cycle-broken'), gauge: name }),
  z.strictObject({
    kind: z.literal('external-changed'),
    axis: machineAxis,
    value: writtenLengthSchema,
  }),
  z.strictObject({
    kind: z.literal('row-stands'),
    address,
    holds: writtenLengthSchema,
    drawing: writtenLengthSchema.optional(),
    whose: words.min(1).optional(),
  }),
  z.strictObject({
    kind: z.literal('counter-zeroed'),
    axis: machineAxis,
    machinePosition: writtenLengthSchema.optional(),
  }),
  z.strictObject({
    kind: z.literal('tool-rechecked'),
    tool: registerNumber,
    holds: writtenLengthSchema,
    found: writtenLengthSchema,
    kept: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('unit-changed') }),
  z.strictObject({
    kind: z.literal('corrected'),
    address,
    amount: writtenLengthSchema,
    because: measured,
  }),
  z.strictObject({
    kind: z.literal('gauge-measured'),
    gauge: name,
    size: writtenLengthSchema,
    since: z.enum(['last-good', 'now']),
    uncertainty: writtenLengthSchema.optional(),
  }),
  z.strictObject({ kind: z.literal('check-failed'), gauge: name, lastGood: factId.optional() }),
  z.strictObject({
    kind: z.literal('order-told'),
    reading: factId,
    event: factId,
    first: z.enum(['reading', 'event']),
  }),
  z.strictObject({ kind: z.literal('rebased'), tool: registerNumber }),
  z.strictObject({
    kind: z.literal('home-recovered'),
    shift: byAxis(writtenLengthSchema),
  }),
])

export const acceptanceSchema = z.strictObject({
  address,
  reason: words.min(1, 'a reason'),
  accepts: name,
})
export const proofSchema = z.strictObject({
  row,
  tool: registerNumber,
  clearance: writtenLengthSchema,
  gap: writtenLengthSchema,
  byEye: z.literal(true).optional(),
  overZero: z.boolean(),
  spindle: spindleSchema.optional(),
  stop: z
    .strictObject({ position: writtenLengthSchema, distanceToGo: writtenLengthSchema })
    .optional(),
})
export const liftSchema = z.strictObject({
  moves: z.enum(['in', 'out']),
  where: z.enum(LIFT_PLACES),
  amount: writtenLengthSchema,
  shown: writtenLengthSchema.optional(),
})

const axisMarks = byAxis(
  z.strictObject({
    dial: writtenLengthSchema.optional(),
    coarse: writtenLengthSchema.optional(),
    dialFalls: z.literal(true).optional(),
  }),
)
const leftOut = { leftOut: words.min(1, 'a reason').optional() }
export const checkOffSchema = z.discriminatedUnion('of', [
  z.strictObject({
    of: z.literal('home'),
    marks: axisMarks.optional(),
    axes: z.array(z.enum(AXES)).min(1).max(3).optional(),
    ...leftOut,
  }),
  z.strictObject({ of: z.literal('part-zero'), row, marks: axisMarks, ...leftOut }),
  z.strictObject({
    of: z.enum(['clean', 'gauges', 'holding', 'program', 'look']),
    because: words.min(1, 'a reason').optional(),
    ...leftOut,
  }),
  z.strictObject({
    of: z.literal('air-cut'),
    how: z.enum(['lifted', 'graphics']).optional(),
    ...leftOut,
  }),
  z.strictObject({ of: z.literal('cut'), tool: registerNumber, ...leftOut }),
  z.strictObject({ of: z.literal('first-part'), measured: z.array(measured).max(100), ...leftOut }),
])
