import type { Address } from '../address/address'
import { AXES, type MachineAxis, type OffsetRow } from '../address/row'
import type { Nanometres, WrittenLength } from '../length/length'

/**
 * The language in which core says what may be entered: one entry for each field. Types come from it, the contract's schemas and
 * the JSON schema, the check of every length and name, and the rows of docs/setup-file.md.
 */

/** Texts and numbers with rules of their own, and the type of each. The contract has a schema for each of them. */
export interface Leaves {
  /** A name of 1 to 120 characters. */
  readonly name: string
  /** Up to 500 characters; `sentence` and `reason` are never empty. */
  readonly words: string
  readonly sentence: string
  readonly reason: string
  readonly uuid: string
  readonly sha256: string
  readonly moment: string
  readonly row: OffsetRow
  readonly address: Address
  /** A tool's number, or that of its row: 0 to 999. */
  readonly register: number
  /** The same, or null: the bare nose, or no length. */
  readonly 'register-or-none': number | null
  /** What a control takes as words of a program: up to 60 signs of ASCII. */
  readonly block: string
  /** A piece of a program's text, a comment of it, and the name of its file. */
  readonly excerpt: string
  readonly comment: string
  readonly 'file-name': string
  /** Where an agent is asked: `http://`, a number of this computer or of the shop's network, and a port. */
  readonly 'agent-address': string
  readonly nanometres: Nanometres
  readonly extent: readonly [Nanometres, Nanometres]
  readonly count: number
  readonly true: true
  readonly boolean: boolean
}

/** What a length may be. */
export type Sign = 'any' | 'not-negative' | 'positive'

/** What a name in a fact points at: something of the sheet. */
export type Target = 'gauges' | 'tools' | 'rows' | 'addresses'

/** A shape as data. */
type ShapeData =
  | { readonly is: 'length'; readonly sign: Sign }
  | { readonly is: 'leaf'; readonly leaf: keyof Leaves; readonly target?: Target }
  | { readonly is: 'one-of'; readonly values: readonly (string | number)[] }
  | {
      readonly is: 'number'
      readonly whole: boolean
      readonly least?: number
      readonly above?: number
      readonly most?: number
    }
  | { readonly is: 'list'; readonly of: Shape; readonly least: number; readonly most?: number }
  | { readonly is: 'record'; readonly fields: Fields }
  | {
      readonly is: 'variants'
      readonly by: string
      readonly variants: Readonly<Record<string, Fields>>
    }
  | { readonly is: 'either'; readonly records: readonly Fields[] }

declare const value: unique symbol

/** What may stand somewhere. The type of its values is known to the compiler alone. */
export type Shape<Value = unknown> = ShapeData & { readonly [value]?: Value }

/** A field of a record: what may stand in it, whether it may be left out, and what it means, for whoever reads the file. */
export interface Field<Value = unknown, IsOptional extends boolean = boolean> {
  readonly shape: Shape<Value>
  readonly isOptional: IsOptional
  readonly meaning: string
}

export type Fields = Readonly<Record<string, Field>>

/** The type of the values of a shape. */
export type ValueOf<Of> = Of extends Shape<infer Value> ? Value : never

type FieldValue<Of> = Of extends Field<infer Value> ? Value : never
type Flat<Type> = { [Key in keyof Type]: Type[Key] }

/** The type of a record with these fields. */
export type RecordOf<Of> = Flat<
  {
    readonly [Key in keyof Of as Of[Key] extends Field<unknown, true> ? never : Key]: FieldValue<
      Of[Key]
    >
  } & {
    readonly [Key in keyof Of as Of[Key] extends Field<unknown, true> ? Key : never]?: FieldValue<
      Of[Key]
    >
  }
>

/** The type of a record that is one of several, told apart by its field `By`. */
export type VariantOf<By extends string, Of> = {
  readonly [Name in keyof Of]: Flat<{ readonly [Key in By]: Name } & RecordOf<Of[Name]>>
}[keyof Of]

/** A field that is always there. */
export const field = <Value>(shape: Shape<Value>, meaning: string): Field<Value, false> => ({
  shape,
  isOptional: false,
  meaning,
})

/** A field that may be left out. */
export const optional = <Value>(shape: Shape<Value>, meaning: string): Field<Value, true> => ({
  shape,
  isOptional: true,
  meaning,
})

const lengthOf = (sign: Sign): Shape<WrittenLength> => ({ is: 'length', sign })

export const length = lengthOf('any')
export const lengthAboveZero = lengthOf('positive')
export const lengthNotNegative = lengthOf('not-negative')

const leaf = <Leaf extends keyof Leaves>(leaf: Leaf, target?: Target): Shape<Leaves[Leaf]> => ({
  is: 'leaf',
  leaf,
  ...(target !== undefined && { target }),
})

export const name = leaf('name')
export const words = leaf('words')
export const sentence = leaf('sentence')
export const reason = leaf('reason')
export const uuid = leaf('uuid')
export const sha256 = leaf('sha256')
export const moment = leaf('moment')
export const row = leaf('row')
export const register = leaf('register')
export const registerOrNone = leaf('register-or-none')
export const block = leaf('block')
export const excerpt = leaf('excerpt')
export const comment = leaf('comment')
export const fileName = leaf('file-name')
export const agentAddress = leaf('agent-address')
export const nanometres = leaf('nanometres')
export const extent = leaf('extent')
export const count = leaf('count')
export const yes = leaf('true')
export const boolean = leaf('boolean')

/** Names of what stands on the sheet: a fact that names something else is refused. */
export const toolOfSheet = leaf('register', 'tools')
export const toolOfSheetOrNone = leaf('register-or-none', 'tools')
export const rowOfSheet = leaf('row', 'rows')
export const addressOfSheet = leaf('address', 'addresses')
export const gaugeOfSheet = leaf('name', 'gauges')

export const oneOf = <const Values extends readonly (string | number)[]>(
  values: Values,
): Shape<Values[number]> => ({ is: 'one-of', values })

/** A number from `least` to `most`, both among them, or above `above`. */
export const number = (range: {
  readonly least?: number
  readonly above?: number
  readonly most?: number
}): Shape<number> => ({ is: 'number', whole: false, ...range })

/** Turns a minute. */
export const rpm = number({ above: 0, most: 1_000_000 })

export const wholeNumber = (least: number, most: number): Shape<number> => ({
  is: 'number',
  whole: true,
  least,
  most,
})

export const listOf = <Value>(
  of: Shape<Value>,
  { least = 0, most }: { readonly least?: number; readonly most?: number },
): Shape<readonly Value[]> => ({ is: 'list', of, least, ...(most !== undefined && { most }) })

export const recordOf = <const Of extends Fields>(fields: Of): Shape<RecordOf<Of>> => ({
  is: 'record',
  fields,
})

/** A record that is one of several, told apart by the field `by`. */
export const variants = <
  const By extends string,
  const Of extends Readonly<Record<string, Fields>>,
>(
  by: By,
  variants: Of,
): Shape<VariantOf<By, Of>> => ({ is: 'variants', by, variants })

/** One of two records, told apart by the fields that they have. */
export const either = <const One extends Fields, const Other extends Fields>(
  one: One,
  other: Other,
): Shape<RecordOf<One> | RecordOf<Other>> => ({ is: 'either', records: [one, other] })

/** Something of each axis; an axis that has none is not there. */
export const byAxis = <Value>(
  shape: Shape<Value>,
): Shape<Readonly<Partial<Record<MachineAxis, Value>>>> => ({
  is: 'record',
  fields: Object.fromEntries(AXES.map((axis) => [axis, optional(shape, `of ${axis}`)])),
})
