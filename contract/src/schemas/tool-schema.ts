import { ASSEMBLY_FIELDS, SHOP_FIELDS } from '@pine/core/shop'
import { z } from 'zod'
import { ENTERED, schemaOfFields, uuid, writtenLengthSchema } from './schema-of'

const toolAssemblySchema = schemaOfFields(ASSEMBLY_FIELDS)

const retired = z.literal(true).optional()

/** How far its length is to be relied on now, in words, and by which measurement. */
const toolTrustSchema = z.object({
  state: z.enum(['not-read', 'read', 'proven', 'stale']),
  words: z.string(),
})

/** A tool in the list. */
export const toolLineSchema = z.object({
  id: uuid(),
  tool: toolAssemblySchema,
  retired,
  /** Another tool was put into its pocket since. */
  displaced: z.literal(true).optional(),
  trust: toolTrustSchema,
})
export type ToolLine = z.infer<typeof toolLineSchema>

/** A page of the tools, by name, and how many there are of all pages. */
export const toolPageSchema = z.object({ tools: z.array(toolLineSchema), total: z.number() })
export type ToolPage = z.infer<typeof toolPageSchema>

/** How a page is asked for. */
export const toolQuerySchema = z.object({
  /** Words that its name holds, each of them. */
  find: z.string().trim().max(120).optional(),
  machine: z.uuid().optional(),
  from: z.coerce.number().int().min(0).max(1_000_000).optional(),
  retired: z.enum(['0', '1']).optional(),
})
export type ToolQuery = z.infer<typeof toolQuerySchema>

/** What one set-up measured of a tool. */
const toolMeasuredSchema = z.object({
  setup: uuid(),
  name: z.string(),
  machine: z.string(),
  number: z.number(),
  plane: z.string(),
  at: z.string(),
  by: z.string(),
  /** Gauges that lay at its touches, by name. */
  with: z.array(z.string()),
  /** Nose to tip, and half the width of its 95 % interval. */
  length: writtenLengthSchema.optional(),
  lengthWithinMm: z.number().optional(),
  /** It was touched there; else it was taken over from an earlier one. */
  touched: z.boolean(),
  /** The set-up is worked on: what happens to the tool is told there. */
  open: z.boolean(),
})
export type ToolMeasured = z.infer<typeof toolMeasuredSchema>

/** A tool with all that is known of it, the youngest first. */
export const toolHistorySchema = toolLineSchema.extend({
  measured: z.array(toolMeasuredSchema),
  events: z.array(schemaOfFields({ ...SHOP_FIELDS.tool['tool-event'], ...ENTERED })),
  /** How well its length comes again, one standard deviation; absent while too few tell it. */
  repeatsMm: z.number().optional(),
})
export type ToolHistory = z.infer<typeof toolHistorySchema>

/** The tools in the pockets of a machine, by the number that they are called with. */
export const pocketsSchema = z.array(
  z.object({
    id: uuid(),
    pocket: z.number(),
    tool: toolAssemblySchema,
    /** Nose to tip as it was measured last, where it is the same tool in its holder since. */
    lastLength: writtenLengthSchema.optional(),
    /** What it was measured to be in another set-up, as it counts on this machine without a touch. */
    carried: z
      .object({
        length: writtenLengthSchema,
        /** One standard deviation, with the seat. */
        uncertainty: writtenLengthSchema,
        from: z.object({ name: z.string(), at: z.string(), plane: z.string() }),
        /** Id of the machine that it was measured on, and what the shop calls it. */
        machine: z.string(),
        machineName: z.string(),
        because: z.enum(['same-machine', 'face', 'measured-on-both']),
        nose: z.object({ mm: z.number(), standardMm: z.number(), tools: z.number() }).optional(),
      })
      .optional(),
  }),
)
export type Pockets = z.infer<typeof pocketsSchema>
