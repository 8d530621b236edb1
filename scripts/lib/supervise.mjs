import { setTimeout as pause } from 'node:timers/promises'
import { say, Trouble } from './say.mjs'

/** What lived as long as this had begun well. */
const STEADY_MS = 60_000
const MOST_DEATHS = 5
const RESTART_MS = 500

/**
 * Starts again what dies: somebody stands at a machine. What dies at once, over and over, is not started again.
 *
 * @param what as a sentence names it: “the server”
 * @param running what runs now; its `ended` resolves when it dies
 * @param begin gives the next one
 * @param isOver whether it was meant to end
 * @throws Trouble when it died too often
 */
export async function supervise(what, running, begin, isOver) {
  for (let deaths = 0; ; deaths += 1) {
    const begun = Date.now()
    const code = await running.ended
    if (isOver()) return
    if (Date.now() - begun > STEADY_MS) deaths = 0
    if (deaths >= MOST_DEATHS)
      throw new Trouble(`${what} ended ${deaths + 1} times in a row, last with ${code}: see above.`)
    say(`${what} ended with ${code}; starting it again …`)
    await pause(RESTART_MS * (deaths + 1))
    if (isOver()) return
    running = await begin().then(
      (next) => {
        say(`${what} is back.`)
        return next
      },
      ({ message }) => {
        say(message)
        return { ended: Promise.resolve('no start') }
      },
    )
  }
}
