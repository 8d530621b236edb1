import { parseArgs, type ParseArgsConfig } from 'node:util'

/** A call that was not understood: said with the usage. */
export class Misunderstood extends Error {}

type Options = NonNullable<ParseArgsConfig['options']>

/** Reads the words of a command; an unknown option, or another number of files than wanted, is refused. */
export function readArguments<O extends Options>(
  args: readonly string[],
  options: O,
  wanted: readonly string[],
) {
  // A number below zero is a value, not an option: -30.000 after --expected.
  const joined = args.flatMap((arg, index) =>
    /^--[a-z]+$/.test(args[index - 1] ?? '') && /^-[\d.]/.test(arg)
      ? []
      : [withValue(arg, args[index + 1])],
  )
  const parsed = (() => {
    try {
      return parseArgs({ args: joined, options, allowPositionals: true })
    } catch (cause) {
      throw new Misunderstood(cause instanceof Error ? cause.message : String(cause))
    }
  })()
  if (parsed.positionals.length !== wanted.length)
    throw new Misunderstood(
      `expected ${wanted.length === 0 ? 'no file' : wanted.join(' ')}, got ${parsed.positionals.length === 0 ? 'nothing' : parsed.positionals.join(' ')}`,
    )
  return parsed
}

const withValue = (arg: string, next: string | undefined): string =>
  /^--[a-z]+$/.test(arg) && next !== undefined && /^-[\d.]/.test(next) ? `${arg}=${next}` : arg
