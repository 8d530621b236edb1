import type { Pockets } from '@pine/contract'
import type { SetupSheet, Tool } from '@pine/core/sheet'

/** What the shop knows of the tool that sits in a pocket of the machine. */
export const inPocket = (pockets: Pockets | undefined, number: number) =>
  pockets?.find(({ pocket }) => pocket === number)

const isSameName = (one: string, other: string): boolean =>
  one.trim().toLocaleLowerCase() === other.trim().toLocaleLowerCase()

/** Whether a tool of a sheet is the one that the shop knows in that pocket: by what was said, or by its name. */
export function isKnown(tool: Tool, pockets: Pockets | undefined): boolean {
  const there = inPocket(pockets, tool.number)
  if (there === undefined) return false
  if (tool.assembly !== undefined) return tool.assembly === there.id
  return isSameName(tool.name, there.tool.name) || isUnnamed(tool)
}

const isUnnamed = ({ number, name }: Tool): boolean =>
  name.trim() === '' || isSameName(name, `tool ${number}`)

/**
 * What is known of its length beforehand: as it was measured last, else as it stood on the bench. The latter says what to expect, and
 * no number is made of it. What a person typed stays; a length that is known needs none to be held against.
 */
function lengthFrom(
  { lastLength, tool: { properties } }: Pockets[number],
  { length, lastLength: typed, rough }: Tool,
): Pick<Tool, 'lastLength' | 'rough'> {
  if (length !== undefined || typed !== undefined) return {}
  if (lastLength !== undefined) return { lastLength }
  return properties?.LF !== undefined && rough === undefined ? { rough: properties.LF } : {}
}

/**
 * A sheet whose tools are the shop's own: what is in the pocket already, where it is that one, else a new one. While it is not known
 * what is in the pockets nothing is said: one tool must not become two.
 *
 * @param newId makes the id of a tool that the shop does not know yet.
 */
export function withAssemblies(
  sheet: SetupSheet,
  pockets: Pockets | undefined,
  newId: () => string,
): SetupSheet {
  if (pockets === undefined) return sheet
  return {
    ...sheet,
    tools: sheet.tools.map((tool) => {
      const there = inPocket(pockets, tool.number)
      if (there !== undefined && isKnown(tool, pockets))
        return {
          ...tool,
          assembly: there.id,
          ...(isUnnamed(tool) && { name: there.tool.name }),
          ...lengthFrom(there, tool),
        }
      return { ...tool, assembly: tool.assembly ?? newId() }
    }),
  }
}
