import { z } from 'zod'

/** What a person is in the shop. */
export const roleSchema = z.enum(['setter', 'lead', 'viewer'])
export type Role = z.infer<typeof roleSchema>

/** What is done in the product, as far as not everybody may do it. */
export type Action =
  /** Begin a set-up, enter facts into it, keep a program's text. */
  | 'enter'
  /** Say what a machine or a gauge is. */
  | 'declare'
  /** Ask less of a machine's set-ups than was asked before. */
  | 'lower-policy'
  /** Put a set-up away, and take it out again. */
  | 'put-away'
  /** Let people in, give them roles and new PINs, end their stay. */
  | 'people'

const MAY: Readonly<Record<Role, readonly Action[]>> = {
  viewer: [],
  setter: ['enter'],
  lead: ['enter', 'declare', 'lower-policy', 'put-away', 'people'],
}

/** Whether a person may do something: the one place that says so, asked by every use case and shown by the interface. */
export const may = ({ role }: { readonly role: Role }, action: Action): boolean =>
  MAY[role].includes(action)

/** What a role is called, and what it is for. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly is: string }>> = {
  setter: { name: 'setter', is: 'sets up: reads, keys in, proves, releases' },
  lead: { name: 'lead', is: 'sets up, and says what machines, gauges and people there are' },
  viewer: { name: 'viewer', is: 'looks, and enters nothing' },
}
