import { EntitySchema } from 'typeorm'
import type { FactKind, Role, SetupSummary, StreamKind, Via } from '@pine/contract'

// Entities are schemas, not decorated classes: they run under any TypeScript loader, and their
// column types are written out.

export interface PersonEntity {
  shopId: string
  id: string
  name: string
  /** None of a program, which has a token. */
  pinHash: string | null
  pinDigits: number | null
  role: Role
  isProgram: boolean
  /** When they left; facts that carry their name stay. */
  leftAt: Date | null
  createdAt: Date
}

export const personEntity = new EntitySchema<PersonEntity>({
  name: 'person',
  columns: {
    shopId: { type: 'uuid', name: 'shop_id' },
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    pinHash: { type: 'text', name: 'pin_hash', nullable: true },
    pinDigits: { type: 'smallint', name: 'pin_digits', nullable: true },
    role: { type: 'text' },
    isProgram: { type: 'boolean', name: 'is_program' },
    leftAt: { type: 'timestamptz', name: 'left_at', nullable: true },
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
})

export interface SessionEntity {
  shopId: string
  tokenHash: string
  personId: string
  createdAt: Date
  expiresAt: Date
  person?: PersonEntity
}

export const sessionEntity = new EntitySchema<SessionEntity>({
  name: 'session',
  columns: {
    shopId: { type: 'uuid', name: 'shop_id' },
    tokenHash: { type: 'text', name: 'token_hash', primary: true },
    personId: { type: 'uuid', name: 'person_id' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
  },
  relations: {
    person: { type: 'many-to-one', target: 'person', joinColumn: { name: 'person_id' } },
  },
})

export interface ShopEntity {
  id: string
  name: string
  demo: boolean | null
  createdAt: Date
}

export const shopEntity = new EntitySchema<ShopEntity>({
  name: 'shop',
  columns: {
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    demo: { type: 'boolean', nullable: true },
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
})

// Every key of a shop's data begins with the shop: an organisation of many can be spread by that column.
const ofShop = { type: 'uuid', name: 'shop_id', primary: true } as const

export interface ProgramTextEntity {
  shopId: string
  sha256: string
  bytes: Buffer
  keptBy: string
  keptAt: Date
}

export const programTextEntity = new EntitySchema<ProgramTextEntity>({
  name: 'program_text',
  columns: {
    shopId: ofShop,
    sha256: { type: 'text', primary: true },
    bytes: { type: 'bytea' },
    keptBy: { type: 'uuid', name: 'kept_by' },
    keptAt: { type: 'timestamptz', name: 'kept_at' },
  },
})

export interface StreamEntity {
  shopId: string
  id: string
  kind: StreamKind
  createdBy: string
  createdAt: Date
  creator?: PersonEntity
}

export const streamEntity = new EntitySchema<StreamEntity>({
  name: 'stream',
  columns: {
    shopId: ofShop,
    id: { type: 'uuid', primary: true },
    kind: { type: 'text' },
    createdBy: { type: 'uuid', name: 'created_by' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
  relations: {
    creator: { type: 'many-to-one', target: 'person', joinColumn: { name: 'created_by' } },
  },
})

export interface FactEntity {
  shopId: string
  streamId: string
  place: number
  id: string
  kind: FactKind
  body: object
  via: Via
  personId: string
  recordedAt: Date
  seen?: number | null
  device?: string | null
  person?: PersonEntity
}

export const factEntity = new EntitySchema<FactEntity>({
  name: 'fact',
  columns: {
    shopId: ofShop,
    streamId: { type: 'uuid', name: 'stream_id', primary: true },
    place: { type: 'int', primary: true },
    id: { type: 'uuid' },
    kind: { type: 'text' },
    body: { type: 'jsonb' },
    via: { type: 'text' },
    personId: { type: 'uuid', name: 'person_id' },
    recordedAt: { type: 'timestamptz', name: 'recorded_at' },
    seen: { type: 'int', nullable: true },
    device: { type: 'uuid', nullable: true },
  },
  relations: {
    person: { type: 'many-to-one', target: 'person', joinColumn: { name: 'person_id' } },
  },
})

/** A set-up in the list: it can be built again from the facts at any time. */
export interface SummaryEntity {
  shopId: string
  streamId: string
  summary: SetupSummary
  createdAt: Date
}

export const summaryEntity = new EntitySchema<SummaryEntity>({
  name: 'summary',
  columns: {
    shopId: ofShop,
    streamId: { type: 'uuid', name: 'stream_id', primary: true },
    summary: { type: 'jsonb' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
})

export interface FrozenEntity {
  shopId: string
  factId: string
  content: object
}

export const frozenEntity = new EntitySchema<FrozenEntity>({
  name: 'frozen',
  columns: {
    shopId: ofShop,
    factId: { type: 'uuid', name: 'fact_id', primary: true },
    content: { type: 'jsonb' },
  },
})
