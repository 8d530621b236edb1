import { z } from 'zod'
import { setupFileSchema } from '../setup-facts'

/** The set-up file as JSON Schema (2020-12), made from the one schema that is validated with. */
export const setupJsonSchema = (): object => ({
  $id: 'pine-compass/setup/2',
  title: 'Pine Compass set-up file, version 2',
  ...z.toJSONSchema(setupFileSchema, { target: 'draft-2020-12' }),
})
