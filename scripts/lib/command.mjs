import { spawn } from 'node:child_process'
import { Trouble } from './say.mjs'

/**
 * Runs a command to its end.
 * @param input what it reads: secrets go there, and not on its command line, which everybody sees.
 * @returns {Promise<{code: number, output: string}>} what it printed, both streams in one.
 */
export function run(command, args, { echo = false, input, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      stdio: [input === undefined ? 'ignore' : 'pipe', 'pipe', 'pipe'],
      ...options,
    })
    child.stdin?.end(input)
    let output = ''
    const take = (stream) => (chunk) => {
      output += chunk
      if (echo) stream.write(chunk)
    }
    child.stdout.on('data', take(process.stdout))
    child.stderr.on('data', take(process.stderr))
    child.on('error', (cause) => reject(new Trouble(`cannot run ${command}: ${cause.message}`)))
    child.on('close', (code) => resolve({ code: code ?? 1, output }))
  })
}

/** The same, where anything but success is trouble; the last line printed says why. */
export async function must(what, command, args, options) {
  const { code, output } = await run(command, args, options)
  if (code === 0) return output
  const lines = output.trim().split('\n')
  throw new Trouble(
    `${what} failed (${command} ended with ${code}): ${lines.at(-1) ?? 'it printed nothing'}`,
  )
}
