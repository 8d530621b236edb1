import { z } from 'zod'
import { setupDocumentSchema } from './setup-schema'

/** The set-up file as JSON Schema (2020-12), made from the one schema that is validated with. */
export const setupJsonSchema = (): object => ({
  $id: 'pine-compass/setup/1',
  title: 'Pine Compass set-up file, version 1',
  ...z.toJSONSchema(setupDocumentSchema, { target: 'draft-2020-12' }),
})
