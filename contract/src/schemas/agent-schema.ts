import { z } from 'zod'

const byAxis = <Schema extends z.ZodType>(of: Schema) =>
  z.object({ X: of.optional(), Y: of.optional(), Z: of.optional() })

/** A machine's report of itself, from its agent. Lengths in whole nanometres. */
export const machineReportSchema = z.object({
  address: z.string(),
  device: z.string(),
  uuid: z.string(),
  /** Another one after each start of the agent. */
  instance: z.int(),
  /** The number of its last change. */
  sequence: z.int(),
  /** By its own clock, and when the server asked. */
  at: z.string(),
  askedAt: z.string(),
  /** How far the one is from the other, milliseconds. */
  apartMs: z.number(),
  /** The machine behind it has power. */
  isAvailable: z.boolean(),
  machine: byAxis(z.int()),
  work: byAxis(z.int()),
  /** An axis stood elsewhere a moment before. */
  isMoving: z.boolean(),
  /** Absent where it does not report it. */
  homed: byAxis(z.boolean()),
  tool: z.int().optional(),
  workRow: z.string().optional(),
  lengthRow: z.string().optional(),
  /** Turns a minute. */
  spindle: z.int().optional(),
  execution: z.string().optional(),
  mode: z.string().optional(),
  program: z.string().optional(),
  line: z.int().optional(),
  emergencyStop: z.boolean().optional(),
  alarm: z.string().optional(),
  /** What its tables hold. */
  rows: z.array(z.object({ row: z.string(), value: z.int() })),
})
export type MachineReport = z.infer<typeof machineReportSchema>
