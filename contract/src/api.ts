import { GAUGE_FIELDS, MACHINE_FIELDS, SHEET_FIELDS, WATCH_FIELDS } from '@pine/core/sheet'
import { AGENT_FIELDS, SHOP_FIELDS } from '@pine/core/shop'
import { z } from 'zod'
import { roleSchema } from './roles'
import { setupFactSchema, setupFileSchema } from './setup-facts'
import { ENTERED, schemaOfFields, UNDER_ID, uuid } from './schemas/schema-of'
import { solutionViewSchema } from './solution-view'

/** Four to eight digits: typed with oily thumbs. */
export const pinSchema = z.string().regex(/^\d{4,8}$/, 'A PIN has four to eight digits.')
/** A lead lets people in and puts them out: their PIN takes longer to guess. */
export const LEAST_LEAD_DIGITS = 6

/** Letters that look alike across these stand for somebody else: a name keeps to one of them. */
const SCRIPTS = [/\p{Script=Latin}/u, /\p{Script=Cyrillic}/u, /\p{Script=Greek}/u]

/** A name as people read it: in one form (NFKC), with nothing in it that cannot be seen, and in one script. */
export const personNameSchema = z
  .string()
  .normalize('NFKC')
  .overwrite((name) => name.replace(/\s+/gu, ' '))
  .trim()
  .min(1, 'a name')
  .max(60)
  .refine((name) => !/\p{C}/u.test(name), 'a name whose every character can be seen')
  .refine(
    (name) => SCRIPTS.filter((script) => script.test(name)).length <= 1,
    'a name in the letters of one script',
  )

/** What was changed, where the answer says no more. */
export const doneSchema = z.object({ id: uuid() })
/** The server and its database answer. */
export const healthSchema = z.object({ ok: z.literal(true) })

export const personSchema = z.object({ id: uuid(), name: z.string() })
export type Person = z.infer<typeof personSchema>

/** A person with what they may do here. */
export const memberSchema = personSchema.extend({ role: roleSchema })
export type Member = z.infer<typeof memberSchema>

/** Who is signed in on this device, and how the product stands that is asked. */
export const sessionAnswerSchema = z.object({
  person: memberSchema.nullable(),
  /** Nobody is here yet, and the first needs the code that the server printed. */
  firstNeedsCode: z.literal(true).optional(),
  /** The demonstration’s people, whose PIN is published, can be signed in as from the network. */
  demoOnNetwork: z.literal(true).optional(),
})
export type SessionAnswer = z.infer<typeof sessionAnswerSchema>

/** What happened to a person's place in the shop: told, never undone. */
export const personChangeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('joined'), role: roleSchema }),
  z.object({ kind: z.literal('role'), role: roleSchema }),
  z.object({ kind: z.literal('new-pin') }),
  z.object({ kind: z.literal('left') }),
  z.object({ kind: z.literal('back') }),
])
export type PersonChange = z.infer<typeof personChangeSchema>

/** Everybody who is or was here, with what happened to their place, for those who look after people. */
export const memberHistorySchema = memberSchema.extend({
  /** A program that a lead gave a token, and until when it is good; null once it has ended. */
  program: z.object({ until: z.string().nullable() }).optional(),
  leftAt: z.string().nullable(),
  changes: z.array(z.object({ change: personChangeSchema, by: z.string(), at: z.string() })),
})
export type MemberHistory = z.infer<typeof memberHistorySchema>

/** Letters and digits that nobody takes for another. */
export const CODE_LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
export const joinCodeSchema = z
  .string()
  .overwrite((code) => code.toUpperCase().replace(/[\s-]/g, ''))
  .regex(
    new RegExp(`^[${CODE_LETTERS}]{8}$`),
    'A code has eight letters and digits: ask a lead for one.',
  )

export const newPersonSchema = z.strictObject({
  id: uuid(),
  name: personNameSchema,
  pin: pinSchema,
  /** That a lead has shown; the first person of an empty product needs none. */
  code: joinCodeSchema.optional(),
})
export const newJoinCodeSchema = z.strictObject({ role: roleSchema })
/** A code is shown once, to the lead who asked for it: only its hash is kept. */
export const shownJoinCodeSchema = z.object({
  code: z.string(),
  role: roleSchema,
  expiresAt: z.string(),
})
export type ShownJoinCode = z.infer<typeof shownJoinCodeSchema>
/** What a token begins with: whoever finds one somewhere sees what it opens. */
export const TOKEN_PREFIX = 'pine_'
/** Longest stay of a program, in days: after that a lead looks at it again. */
const LONGEST_TOKEN_DAYS = 366
/** A program that reads or writes here, as a lead lets it in; people are looked after by people. */
export const newTokenSchema = z.strictObject({
  id: uuid(),
  name: personNameSchema,
  role: z.enum(['viewer', 'setter']),
  days: z.number().int().min(1).max(LONGEST_TOKEN_DAYS),
})
export type NewToken = z.infer<typeof newTokenSchema>
/** A token is shown once, to the lead who asked for it: only its hash is kept. */
export const shownTokenSchema = memberSchema.extend({ token: z.string(), expiresAt: z.string() })
export type ShownToken = z.infer<typeof shownTokenSchema>
export const newPinSchema = z.strictObject({ pin: pinSchema })
export const newRoleSchema = z.strictObject({ role: roleSchema })

export const signInSchema = z.strictObject({ personId: uuid(), pin: pinSchema })

const machine = schemaOfFields(MACHINE_FIELDS)
const gauge = schemaOfFields(GAUGE_FIELDS)

/** Out of use: it is offered to no new set-up, and stays in those that used it. */
const retired = z.literal(true).optional()

const agent = schemaOfFields(AGENT_FIELDS).optional()
export const machineSchema = z.object({ id: uuid(), machine, retired, agent })
export type MachineEntry = z.infer<typeof machineSchema>
export const shopSchema = z.object({ id: uuid(), name: z.string() })

const watch = schemaOfFields(WATCH_FIELDS).optional()
export const shopGaugeSchema = z.object({ id: uuid(), gauge, retired, watch })
export type ShopGauge = z.infer<typeof shopGaugeSchema>
export type Watch = NonNullable<ShopGauge['watch']>

/** A check of a gauge, under an id of its own: sent twice it is one. */
export const newGaugeCheckSchema = schemaOfFields({
  ...UNDER_ID,
  ...SHOP_FIELDS.gauge['gauge-check'],
})

/** Every check of a gauge, in the order in which they were made. */
export const gaugeHistorySchema = z.object({
  gauge: shopGaugeSchema,
  checks: z.array(schemaOfFields({ ...UNDER_ID, ...SHOP_FIELDS.gauge['gauge-check'], ...ENTERED })),
})
export type GaugeHistory = z.infer<typeof gaugeHistorySchema>

/** That a check was not good is told in the set-ups that are open: under an id of its own, sent twice it is told once. */
export const tellSuspectSchema = z.strictObject({ id: uuid() })

/** How each gauge that is watched stands now. */
export const gaugeStandingsSchema = z.array(
  z.object({
    id: uuid(),
    lastAt: z.string().optional(),
    offMm: z.number().optional(),
    dueOn: z.string().optional(),
    isDue: z.boolean(),
    isSuspect: z.boolean(),
  }),
)
export type GaugeStandings = z.infer<typeof gaugeStandingsSchema>

/** A set-up that was measured with a gauge since it was last known good. */
export const suspectSetupsSchema = z.array(
  z.object({
    id: uuid(),
    name: z.string(),
    machine: z.string(),
    /** When the first of its readings with the gauge was entered. */
    from: z.string(),
    readings: z.number(),
    released: z.boolean(),
    /** It is worked on, and nobody has said there that the gauge failed since the reading was made. */
    untold: z.boolean(),
  }),
)
export type SuspectSetups = z.infer<typeof suspectSetupsSchema>

/** The set-ups that used a gauge last, the youngest first. */
export const gaugeUsesSchema = z.array(
  z.object({
    id: uuid(),
    name: z.string(),
    machine: z.string(),
    /** When the first of its readings with the gauge was made. */
    from: z.string(),
    readings: z.number(),
  }),
)
export type GaugeUses = z.infer<typeof gaugeUsesSchema>

export const newSetupSchema = z.strictObject({
  id: uuid(),
  sheetFactId: uuid(),
  sheet: schemaOfFields(SHEET_FIELDS),
})

/** What a record froze: opened again, it shows the same numbers to the digit. */
export const recordSchema = z.object({
  id: uuid(),
  by: z.string(),
  at: z.string(),
  hash: z.string(),
  /** What is kept of it does not give its hash any more: somebody changed it past the product. */
  altered: z.boolean(),
  readings: z.number(),
  keyIns: z.number(),
  solution: solutionViewSchema,
})
export type SetupRecord = z.infer<typeof recordSchema>

/** A set-up with all its facts. */
export const setupAnswerSchema = z.object({
  file: setupFileSchema,
  createdBy: z.string(),
  createdAt: z.string(),
})
export type SetupAnswer = z.infer<typeof setupAnswerSchema>

/** The facts of a set-up from a place on: what a fact is answered with. */
export const factsAnswerSchema = z.object({
  /** Place of the first of them. */
  from: z.number(),
  facts: z.array(setupFactSchema),
})
export type FactsAnswer = z.infer<typeof factsAnswerSchema>

export const setupSummarySchema = z.object({
  id: uuid(),
  name: z.string(),
  machine: z.string(),
  unit: z.enum(['mm', 'in']),
  createdAt: z.string(),
  changedAt: z.string(),
  changedBy: z.string(),
  /** How far it is: steps done of all, and the station of the next one. */
  stepsDone: z.number(),
  stepsTotal: z.number(),
  nextStation: z.string().nullable(),
  /** It was released, now or before; `nextStation` tells whether something is open again. */
  recorded: z.boolean(),
  warnings: z.number(),
  /** What stands in the way, in a sentence: the first disagreement, else that numbers no longer hold. */
  blocks: z.string().nullable().default(null),
  /** From when on a number of it is older than the shop allows; null where none grows old. */
  oldFrom: z.string().nullable(),
  /** Who put it away, and when; null where it is among those that are worked on. */
  away: z.object({ by: z.string(), at: z.string() }).nullable().default(null),
  /** The shop's machine that it is on, where its sheet says. */
  machineId: z.string().nullable().default(null),
})
export type SetupSummary = z.infer<typeof setupSummarySchema>

/** So many are answered at once, where nobody asks for more. */
export const SETUPS_A_PAGE = 50

/** Which set-ups are asked for, the youngest first. */
export const setupQuerySchema = z.object({
  /** Those that were put away, where it is 1. */
  away: z.enum(['0', '1']).optional(),
  /** Those that are worked on, or those that were released and left as they were; both, where it is not said. */
  standing: z.enum(['open', 'released']).optional(),
  /** Those on one of the shop's machines. */
  machine: z.uuid().optional(),
  /** Words, each of which stands in the name of the job, of its machine or of whoever was last at it. */
  find: z.string().trim().max(120).optional(),
  most: z.coerce.number().int().min(1).max(2000).optional(),
})
export type SetupQuery = z.infer<typeof setupQuerySchema>

/** The youngest of the set-ups that were asked for, and how many there are in all. */
export const setupPageSchema = z.object({
  setups: z.array(setupSummarySchema),
  total: z.number(),
})
export type SetupPage = z.infer<typeof setupPageSchema>
