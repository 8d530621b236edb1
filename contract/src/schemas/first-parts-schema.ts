import { MEASURED_FIELDS } from '@pine/core/facts'
import { z } from 'zod'
import { schemaOfFields, uuid } from './schema-of'

/** What the set-ups of a job measured of its parts, the oldest first. */
export const firstPartsSchema = z.array(
  z.object({
    setup: uuid(),
    at: z.string(),
    by: z.string(),
    measured: z.array(schemaOfFields(MEASURED_FIELDS)),
  }),
)
export type FirstParts = z.infer<typeof firstPartsSchema>
