import type { OffsetRow } from '../address/row'
import type { WrittenLength } from '../length/length'
import type { Face, PlanAxis, Way } from '../touch/touch'

/** What a field of a reading may be. The contract makes its schemas of the same names. */
export interface FieldTypes {
  readonly tool: number
  readonly row: OffsetRow
  readonly face: Face
  /** Which touch of several, from 1. */
  readonly point: number
  readonly length: WrittenLength
  /** A dial at four quarters; it counts up when its plunger is pushed in. */
  readonly dial: Readonly<Record<Face, WrittenLength>>
  /** Gauge ids. */
  readonly gauges: readonly string[]
  readonly way: Way
  readonly ways: Readonly<Partial<Record<PlanAxis, Way>>>
}

/** A field by its type, with a question mark where it may be left out, or one of some words. */
export type FieldSpec = keyof FieldTypes | `${keyof FieldTypes}?` | readonly string[]

export type FieldSpecs = Readonly<Record<string, FieldSpec>>

type ValueOf<Spec> = Spec extends readonly (infer Word)[]
  ? Word
  : Spec extends `${infer Name extends keyof FieldTypes}?`
    ? FieldTypes[Name]
    : Spec extends keyof FieldTypes
      ? FieldTypes[Spec]
      : never

type Optional<Specs> = {
  [Key in keyof Specs]: Specs[Key] extends `${string}?` ? Key : never
}[keyof Specs]

/** The fields that specifications describe. */
export type FieldsOf<Specs> = {
  readonly [Key in Exclude<keyof Specs, Optional<Specs>>]: ValueOf<Specs[Key]>
} & { readonly [Key in Optional<Specs>]?: ValueOf<Specs[Key]> }

/** The numbers that one reading is made of, in the order in which they are read. */
export const FIELD_KEYS = ['read', 'readY', 'right', 'back', 'left', 'front'] as const

export type FieldKey = (typeof FIELD_KEYS)[number]
