import { trials } from '../../../core/test/random'
import { runRobots } from './run-robots'

/** Robots of one file: the files run beside each other. bench/robot.ts makes 5,000. */
const ROBOTS = 40

/** @param part of the seeds, from 0. */
export const doneAsTold = (part: number): void =>
  test(`done as told, every row becomes what it should: seeds from ${part * ROBOTS + 1}`, () => {
    const { complaints, told } = runRobots(trials(ROBOTS), part * ROBOTS + 1)
    if (complaints.length > 0) throw new Error(complaints.slice(0, 12).join('\n'))
    // Nobody complains who was told nothing.
    expect(told).toBeGreaterThan(5 * trials(ROBOTS))
  }, 400_000)
