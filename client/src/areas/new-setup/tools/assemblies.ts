import { v7 as uuid } from 'uuid'
import type { Pockets } from '@pine/contract'
import type { SetupSheet, Tool } from '@pine/core/sheet'

/** What the shop knows of the tool that sits in a pocket of the machine. */
export const inPocket = (pockets: Pockets | undefined, number: number) =>
  pockets?.find(({ pocket }) => pocket === number)

const isSameName = (one: string, other: string): boolean =>
  one.trim().toLocaleLowerCase() === other.trim().toLocaleLowerCase()

/**
 * Whether a tool of a sheet is the one that the shop knows in that pocket: as somebody said; another one where it is called something
 * else. Undefined until somebody says so: a name that is the same, or none, is no answer, and with the tool goes its length.
 */
export function isSameTool(tool: Tool, pockets: Pockets | undefined): boolean | undefined {
  const there = inPocket(pockets, tool.number)
  if (there === undefined) return false
  if (tool.assembly !== undefined) return tool.assembly === there.id
  return isSameName(tool.name, there.tool.name) || isUnnamed(tool) ? undefined : false
}

/** The tools of which nobody has said yet whether they are the ones in the pockets. */
export const unansweredTools = (
  tools: readonly Tool[],
  pockets: Pockets | undefined,
): readonly Tool[] => tools.filter((tool) => isSameTool(tool, pockets) === undefined)

/** The tool is the one in the pocket: so it is called, and so the shop knows it. */
export function asInPocket(tool: Tool, pockets: Pockets | undefined): Tool {
  const there = inPocket(pockets, tool.number)
  return there === undefined ? tool : { ...tool, name: there.tool.name, assembly: there.id }
}

/** The tool is none that the shop knows yet. */
export const asAnother = (tool: Tool): Tool => ({ ...tool, assembly: uuid() })

/** Whether a tool of the changer is one of this job. */
export const isOfJob = (tools: readonly Tool[], { id }: Pockets[number]): boolean =>
  tools.some(({ assembly }) => assembly === id)

/**
 * The tools of a job once one of the changer was tapped: it is one of them, or not any more. A sheet that has only the blank line it began
 * with begins with what is tapped; the last tool that is taken out leaves that line.
 */
export function withTapped(
  tools: readonly Tool[],
  there: Pockets[number],
  keepsLengths: boolean,
): readonly Tool[] {
  const { pocket, id, tool } = there
  const blank = (number: number): Tool => ({
    number,
    name: '',
    ...(keepsLengths && { lengthRegister: number }),
  })
  if (isOfJob(tools, there)) {
    const left = tools.filter(({ assembly }) => assembly !== id)
    return left.length > 0 ? left : [blank(1)]
  }
  const others = tools.filter((one) => one.number !== pocket && !isBlank(one))
  const before = tools.find((one) => one.number === pocket) ?? blank(pocket)
  return [...others, { ...before, name: tool.name, assembly: id }].toSorted(
    (one, other) => one.number - other.number,
  )
}

const isBlank = (tool: Tool): boolean => isUnnamed(tool) && tool.assembly === undefined

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
 * A sheet whose tools are the shop's own: what is in the pocket already, where somebody said that it is that one, else a new one. While
 * it is not known what is in the pockets nothing is said: one tool must not become two.
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
      const isSame = isSameTool(tool, pockets)
      if (there !== undefined && isSame === true) return { ...tool, ...lengthFrom(there, tool) }
      // Not said: it is neither that one nor a new one.
      if (isSame === undefined) return tool
      return { ...tool, assembly: tool.assembly ?? newId() }
    }),
  }
}
