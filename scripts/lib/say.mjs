/** A failure that the person at the keyboard can do something about: told in one line, without a stack. */
export class Trouble extends Error {}

export const say = (line) => process.stdout.write(`${line}\n`)

/** Runs a script's main function; trouble ends it with one line, a mistake of ours with its stack. */
export async function runScript(main) {
  try {
    await main()
  } catch (cause) {
    process.stderr.write(
      cause instanceof Trouble ? `pine: ${cause.message}\n` : `${cause?.stack ?? cause}\n`,
    )
    process.exit(1)
  }
}
