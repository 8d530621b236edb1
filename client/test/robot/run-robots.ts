import { Chance } from '../../../core/test/random'
import { Robot } from './robot'

/** What one robot for each seed complains of, and how much they were told. */
export function runRobots(count: number, firstSeed: number, actions = 60) {
  const complaints: string[] = []
  let told = 0
  for (let seed = firstSeed; seed < firstSeed + count; seed += 1) {
    const robot = new Robot(new Chance(seed))
    robot.run(actions)
    told += robot.told
    complaints.push(...robot.complaints.map((one) => `seed ${seed}: ${one}`))
  }
  return { complaints, told }
}
