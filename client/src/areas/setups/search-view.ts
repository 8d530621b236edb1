import type { Found } from '@pine/contract'

/** What was found of each kind but set-ups, which the list itself shows. */
export interface FoundGroup {
  readonly title: string
  readonly lines: readonly {
    readonly key: string
    readonly name: string
    readonly about: string
    readonly href: string
  }[]
}

const KINDS = [
  { kind: 'tool', title: 'Tools', hrefOf: (id: string) => `/tools/${id}` },
  { kind: 'gauge', title: 'Gauges', hrefOf: (id: string) => `/gauges/${id}` },
  { kind: 'program', title: 'Programs', hrefOf: (id: string) => `/setups/program?id=${id}` },
  { kind: 'machine', title: 'Machines', hrefOf: (id: string) => `/machines/${id}` },
] as const

export const foundGroups = (found: Found = []): readonly FoundGroup[] =>
  KINDS.flatMap(({ kind, title, hrefOf }) => {
    const lines = found
      .filter((one) => one.kind === kind)
      .map(({ id, name, about }) => ({ key: `${id}${name}`, name, about, href: hrefOf(id) }))
    return lines.length === 0 ? [] : [{ title, lines }]
  })
