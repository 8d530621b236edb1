/** A failure that the person at the keyboard can do something about: told in one line, without a stack. */
export class Trouble extends Error {}

export const say = (line) => process.stdout.write(`${line}\n`)

/** A folder or disk that does not let us: undefined for anything else. */
function placeTrouble({ code, path, syscall } = {}) {
  if (path === undefined) return undefined
  if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS')
    return `${path} may not be written here (${syscall}: ${code}). Give that folder to the user who starts this, or set PINE_STATE to one that is theirs.`
  if (code === 'ENOSPC') return `the disk is full at ${path}. Make room, and start again.`
  if (code === 'ENOTDIR' || code === 'EISDIR')
    return `${path} is in the way (${code}): something else lies where this product keeps its files. Move it aside, or set PINE_STATE.`
  return undefined
}

/** In red where somebody looks at a terminal. */
export const inRed = (words) => (process.stdout.isTTY ? `\u001b[1;31m${words}\u001b[0m` : words)

/** Runs a script's main function; trouble ends it with one line, a mistake of ours with its stack. */
export async function runScript(main) {
  try {
    await main()
  } catch (cause) {
    const words = cause instanceof Trouble ? cause.message : placeTrouble(cause)
    process.stderr.write(words === undefined ? `${cause?.stack ?? cause}\n` : `pine: ${words}\n`)
    process.exit(1)
  }
}
