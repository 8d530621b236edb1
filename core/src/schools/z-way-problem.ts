import type { Problem } from '../problem/problem'
import type { School } from './schools'
import { waysOfZ, type ZWay } from './ways-of-z'

/**
 * What is wrong with a way of finding Z in a school, and which ways there are instead.
 *
 * A difference that counts from no earlier fixture is told where its `from` is checked.
 */
export function zWayProblem(school: School, way: ZWay, place: number): Problem | undefined {
  const ways = waysOfZ(school, place)
  if (ways.includes(way) || way === 'fixture-difference') return undefined
  return {
    code: 'z-way-not-of-school',
    place: `sheet.offsets.${place}.Z.by`,
    received: way,
    limit: ways.join(', '),
  }
}
