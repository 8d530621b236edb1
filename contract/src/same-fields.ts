import type { z } from 'zod'

/**
 * Whether core's type and a schema's have the same fields, all the way down. That each can be given where the other is asked for
 * does not tell: a field that may be left out is missed by neither.
 */

/** What tells the variants of a union apart; their fields are compared by themselves. */
type VariantOf<T> = T extends { readonly of: infer Name extends string }
  ? `${Name}:`
  : T extends { readonly kind: infer Name extends string }
    ? `${Name}:`
    : T extends { readonly by: infer Name extends string }
      ? string extends Name
        ? ''
        : `${Name}:`
      : ''

/** The path of each field of a type, such as `tip-on-plane:read.text`. */
type Fields<T> = T extends number | string | boolean | null | undefined
  ? never
  : T extends readonly (infer Item)[]
    ? Fields<Item>
    : T extends object
      ? {
          [Key in keyof T & string]-?:
            `${VariantOf<T>}${Key}` | `${VariantOf<T>}${Key}.${Fields<T[Key]>}`
        }[keyof T & string]
      : never

/** True, or the paths of the fields that only one of the two has. */
export type SameFields<A, B> = [
  Exclude<Fields<A>, Fields<B>> | Exclude<Fields<B>, Fields<A>>,
] extends [never]
  ? true
  : { readonly onlyInOne: Exclude<Fields<A>, Fields<B>> | Exclude<Fields<B>, Fields<A>> }

/** A schema as core's type, which has the same fields: what makes it so stands as the last argument, `true`. */
export const asCore =
  <Core>() =>
  <Schema extends z.ZodType>(
    schema: Schema,
    _same: SameFields<z.infer<Schema>, Core>,
  ): z.ZodType<Core, Core> =>
    schema as unknown as z.ZodType<Core, Core>

/** Fields of a schema that is put together of them, held to core's type in the same way. */
export const fieldsOf =
  <Core>() =>
  <Shape extends z.ZodRawShape>(
    shape: Shape,
    _same: SameFields<z.infer<z.ZodObject<Shape>>, Core>,
  ): Shape =>
    shape
