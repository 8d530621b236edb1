import { EntitySchema } from 'typeorm'
import type { FactKind } from '@pine/contract'

// Entities are schemas, not decorated classes: they run under any TypeScript loader, and their
// column types are written out.

export interface PersonEntity {
  id: string
  name: string
  pinHash: string
  failedAttempts: number
  lockedUntil: Date | null
  createdAt: Date
}

export const personEntity = new EntitySchema<PersonEntity>({
  name: 'person',
  columns: {
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    pinHash: { type: 'text', name: 'pin_hash' },
    failedAttempts: { type: 'int', name: 'failed_attempts', default: 0 },
    lockedUntil: { type: 'timestamptz', name: 'locked_until', nullable: true },
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
})

export interface SessionEntity {
  tokenHash: string
  personId: string
  createdAt: Date
  expiresAt: Date
  person?: PersonEntity
}

export const sessionEntity = new EntitySchema<SessionEntity>({
  name: 'session',
  columns: {
    tokenHash: { type: 'text', name: 'token_hash', primary: true },
    personId: { type: 'uuid', name: 'person_id' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
  },
  relations: {
    person: { type: 'many-to-one', target: 'person', joinColumn: { name: 'person_id' } },
  },
})

/** A machine or a gauge of the shop: its declaration is validated by the contract. */
export interface DeclarationEntity {
  id: string
  declaration: object
  createdBy: string
  createdAt: Date
}

const declarationColumns = {
  id: { type: 'uuid', primary: true },
  declaration: { type: 'jsonb' },
  createdBy: { type: 'uuid', name: 'created_by' },
  createdAt: { type: 'timestamptz', name: 'created_at' },
} as const

export const machineEntity = new EntitySchema<DeclarationEntity>({
  name: 'machine',
  columns: declarationColumns,
})
export const gaugeEntity = new EntitySchema<DeclarationEntity>({
  name: 'gauge',
  columns: declarationColumns,
})

export interface ProgramTextEntity {
  sha256: string
  bytes: Buffer
  keptBy: string
  keptAt: Date
}

export const programTextEntity = new EntitySchema<ProgramTextEntity>({
  name: 'program_text',
  columns: {
    sha256: { type: 'text', primary: true },
    bytes: { type: 'bytea' },
    keptBy: { type: 'uuid', name: 'kept_by' },
    keptAt: { type: 'timestamptz', name: 'kept_at' },
  },
})

export interface SetupEntity {
  id: string
  createdBy: string
  createdAt: Date
  creator?: PersonEntity
  facts?: FactEntity[]
}

export const setupEntity = new EntitySchema<SetupEntity>({
  name: 'setup',
  columns: {
    id: { type: 'uuid', primary: true },
    createdBy: { type: 'uuid', name: 'created_by' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
  relations: {
    creator: { type: 'many-to-one', target: 'person', joinColumn: { name: 'created_by' } },
    facts: { type: 'one-to-many', target: 'fact', inverseSide: 'setup' },
  },
})

export interface FactEntity {
  id: string
  setupId: string
  /** bigint: the driver gives it as text. */
  sequence?: string
  kind: FactKind
  body: object
  personId: string
  recordedAt: Date
  person?: PersonEntity
  setup?: SetupEntity
}

export const factEntity = new EntitySchema<FactEntity>({
  name: 'fact',
  columns: {
    id: { type: 'uuid', primary: true },
    setupId: { type: 'uuid', name: 'setup_id' },
    sequence: { type: 'bigint', generated: 'increment' },
    kind: { type: 'text' },
    body: { type: 'jsonb' },
    personId: { type: 'uuid', name: 'person_id' },
    recordedAt: { type: 'timestamptz', name: 'recorded_at' },
  },
  relations: {
    person: { type: 'many-to-one', target: 'person', joinColumn: { name: 'person_id' } },
    setup: {
      type: 'many-to-one',
      target: 'setup',
      joinColumn: { name: 'setup_id' },
      inverseSide: 'facts',
    },
  },
})
