import type { ShopEvent, TipMoment, ToolAssembly } from '@pine/core/shop'
import type { AssemblyUse } from '@pine/core/running'
import type { FactRow } from './rows/fact-row'

/** A tool as it is declared now. */
export interface ToolRow {
  readonly id: string
  readonly tool: ToolAssembly
  readonly retired: boolean
  /** Another tool was put into its pocket since. */
  readonly displaced?: boolean
}

/** A fact of one of several streams. */
export interface OutsideRow {
  readonly streamId: string
  readonly fact: FactRow
}

/** What happened to a machine or its plane, in whichever set-up or outside of one. */
export type MachineHappening = ShopEvent & { readonly machine: string }

export interface ToolStore {
  /** Begins the streams of tools, each with its first fact; one that is there already stays as it is. */
  beginTools(
    tools: readonly { readonly id: string; readonly factId: string; readonly tool: ToolAssembly }[],
    personId: string,
    at: Date,
  ): Promise<void>
  /** Writes what every tool is declared to be now, as its stream tells it. */
  renewTools(): Promise<void>
  /** A page of the tools that every one of some words stands in the name of, by name, and how many there are of all pages. */
  toolPage(query: {
    readonly find: readonly string[]
    readonly machine?: string | undefined
    readonly retired: boolean
    readonly from: number
    readonly most: number
  }): Promise<{ readonly rows: readonly ToolRow[]; readonly total: number }>
  /** The tools with these ids, as they are declared now. */
  toolsById(ids: readonly string[]): Promise<readonly ToolRow[]>
  /** The tools in the pockets of a machine; of two in one pocket, the one that was put there last. */
  inPockets(machine: string): Promise<readonly ToolRow[]>
  /** What set-ups tell of tools, each tool's youngest first, at most so many of each. */
  toolUses(
    tools: readonly string[],
    most: number,
  ): Promise<ReadonlyMap<string, readonly AssemblyUse[]>>
  /** What happened to tools outside of set-ups, in the order of their streams. */
  toolEvents(tools: readonly string[]): Promise<readonly OutsideRow[]>
  /** When tips were read, and with what, in the last set-ups on a machine, set-up by set-up, each in the order of its stream. */
  tipMoments(machine: string, setups: number): Promise<readonly (readonly TipMoment[])[]>
  /** Set-ups that are worked on and tell something of a tool, and by which number they call it. */
  openUsesOf(tool: string): Promise<readonly { readonly setup: string; readonly number: number }[]>
  /** Set-ups that are worked on, on a machine, and on a plane where one is said, however it is written. */
  openOn(
    machine: { readonly id: string; readonly name: string },
    plane: string | undefined,
  ): Promise<readonly string[]>
  /** What happened to machines and their planes since a moment, by the clock of this server. */
  happenedTo(
    machines: readonly { readonly id: string; readonly name: string }[],
    since: Date,
  ): Promise<readonly MachineHappening[]>
}

/** What a fact makes of what its set-up tells of tools: those that it tells anew. */
export type ChangedUses = readonly AssemblyUse[]
