import { Hono, type Env } from 'hono'
import { generateSpecs, loadVendor } from 'hono-openapi'
import { z } from 'zod'

// The library looks for a converter while it runs; ours is the one that is here.
loadVendor('zod', {
  toJSONSchema: (schema) => {
    const { $schema: _dialect, ...converted } = z.toJSONSchema(schema as z.ZodType, {
      io: 'input',
      unrepresentable: 'any',
    })
    // Its types are of draft 7; OpenAPI 3.1 is of 2020-12, as what zod makes is.
    return converted as object
  },
})

/** OpenAPI 3.1 of every route of an API, from the schemas that check what comes in and the table of what goes out. */
export const describeApi = <Of extends Env>(api: Hono<Of>) =>
  generateSpecs(api, {
    excludeStaticFile: false,
    documentation: {
      openapi: '3.1.0',
      info: {
        title: 'Pine Compass',
        version: '1',
        description:
          'Set-ups as streams of facts. A program sends the token that a lead made for it (People of the shop); a person signs in with POST /api/session, which sets a cookie.',
      },
      security: [{ token: [] }, { session: [] }],
      components: {
        securitySchemes: {
          token: { type: 'http', scheme: 'bearer' },
          session: { type: 'apiKey', in: 'cookie', name: 'pine_session' },
        },
      },
    },
  })
