import { trials } from '../../../core/test/random'
import { runRobots } from './run-robots'

test('done as told, every row becomes what it should', () => {
  const { complaints, told } = runRobots(trials(200), 1)
  if (complaints.length > 0) throw new Error(complaints.slice(0, 12).join('\n'))
  // Nobody complains who was told nothing.
  expect(told).toBeGreaterThan(trials(1000))
}, 400_000)
