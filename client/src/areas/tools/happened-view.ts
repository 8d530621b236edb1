import type { ToolMeasured } from '@pine/contract'

/** What falls by something that happens between set-ups: told in every one of those that it was in and that is worked on. */
export function staleByTool(measured: readonly Pick<ToolMeasured, 'setup' | 'name' | 'open'>[]): {
  readonly text: string
  readonly setups: readonly { readonly id: string; readonly name: string }[]
} {
  const setups = measured.flatMap(({ setup: id, name, open }) => (open ? [{ id, name }] : []))
  const lengths = 'No set-up takes its length over from before.'
  if (setups.length === 0)
    return { text: `${lengths} None is open that it was touched in.`, setups }
  return {
    text: `${lengths} Reported to the ${setups.length === 1 ? 'one' : setups.length} still open, where the tool is touched again:`,
    setups,
  }
}
