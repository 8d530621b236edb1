import { Hono } from 'hono'
import { z } from 'zod'
import { factsAnswerSchema, NEW_FACTS, streamAnswerSchema } from '@pine/contract'
import { STREAM_KINDS } from '@pine/core/journal'
import { noRoute } from '../refusals'
import { reply, replyRefusal } from '../reply'
import type { Streams } from '../../use-cases/facts/stream-facts'
import { factMetadataSchema } from '../fact-metadata'
import { body, query } from '../body'
import { describes } from './describes'
import type { Signed } from '../door/session'

/** From which place on the facts of a stream are wanted. */
const sinceSchema = z.object({ from: z.coerce.number().int().min(0) })

/** Where every fact comes in, whatever it is of: the first fact of a stream begins it. */
export const streamRoutes = (streams: Streams) =>
  new Hono<Signed>()
    .post(
      '/streams/setup/:id/facts',
      describes('Append a fact to a set-up; a sheet begins one', factsAnswerSchema, 201),
      query(factMetadataSchema),
      body(NEW_FACTS.setup),
      async (c) => {
        const stream = { kind: 'setup', id: c.req.param('id') } as const
        const { person } = c.var
        const added = streams.append(person, stream, c.req.valid('json'), c.req.valid('query'))
        return reply(c, await added, 201)
      },
    )
    .post(
      '/streams/machine/:id/facts',
      describes('Declare a machine, or append what happened to it', streamAnswerSchema, 201),
      query(factMetadataSchema),
      body(NEW_FACTS.machine),
      async (c) => {
        const stream = { kind: 'machine', id: c.req.param('id') } as const
        const { person } = c.var
        const added = streams.append(person, stream, c.req.valid('json'), c.req.valid('query'))
        return reply(c, await added, 201)
      },
    )
    .post(
      '/streams/gauge/:id/facts',
      describes('Declare a gauge, or append a check of it', streamAnswerSchema, 201),
      query(factMetadataSchema),
      body(NEW_FACTS.gauge),
      async (c) => {
        const stream = { kind: 'gauge', id: c.req.param('id') } as const
        const { person } = c.var
        const added = streams.append(person, stream, c.req.valid('json'), c.req.valid('query'))
        return reply(c, await added, 201)
      },
    )
    .post(
      '/streams/tool/:id/facts',
      describes('Declare a tool, or append what happened to it', streamAnswerSchema, 201),
      query(factMetadataSchema),
      body(NEW_FACTS.tool),
      async (c) => {
        const stream = { kind: 'tool', id: c.req.param('id') } as const
        const { person } = c.var
        const added = streams.append(person, stream, c.req.valid('json'), c.req.valid('query'))
        return reply(c, await added, 201)
      },
    )
    .get(
      '/streams/:kind/:id/facts',
      describes('Facts of a stream from a place on', streamAnswerSchema),
      query(sinceSchema),
      async (c) => {
        const { kind: asked, id } = c.req.param()
        const kind = STREAM_KINDS.find((one) => one === asked)
        if (kind === undefined) return replyRefusal(c, noRoute(c.req.path))
        return reply(c, await streams.since({ kind, id }, c.req.valid('query').from))
      },
    )
