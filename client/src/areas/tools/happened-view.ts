import type { ToolMeasured } from '@pine/contract'

/** What falls by something that happens between set-ups: told in every one of those that it was in and that is worked on. */
export function staleByTool(measured: readonly Pick<ToolMeasured, 'setup' | 'name' | 'open'>[]): {
  readonly says: string
  readonly told: readonly { readonly id: string; readonly name: string }[]
} {
  const told = measured.flatMap(({ setup: id, name, open }) => (open ? [{ id, name }] : []))
  const lengths = 'No set-up takes its length over from before.'
  if (told.length === 0) return { says: `${lengths} None is open that it was touched in.`, told }
  return {
    says: `${lengths} Reported to the ${told.length === 1 ? 'one' : told.length} still open, where the tool is touched again:`,
    told,
  }
}
