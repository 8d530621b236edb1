import type { Measured } from '../facts/bodies/measured'
import { NANOMETRES_PER } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { judgeFeature, type JudgedFeature } from '../wear/judge-feature'
import { controlChart, type ControlChart } from './control-chart'

/** What one set-up of a job measured of its part, at one time. */
export interface FirstPart {
  readonly setup: string
  readonly at: string
  readonly by: string
  readonly measured: readonly Measured[]
}

/** One measurement of a feature. */
export interface FeaturePoint {
  readonly setup: string
  readonly at: string
  readonly by: string
  readonly judged: JudgedFeature
}

/** A feature of a job's part, repeat after repeat. */
export interface FeatureOverTime {
  /** As it was measured last: what it is, by which tool, what the drawing allows now. */
  readonly last: Measured
  readonly points: readonly FeaturePoint[]
  /** Of its deviations in millimetres; undefined with fewer than two. */
  readonly chart?: ControlChart
}

/**
 * The features of a job's parts, each with all that was measured of it, the oldest first. One feature is one kind of measurement of
 * one nominal that one tool cut, under one name.
 */
export function featuresOverTime(parts: readonly FirstPart[]): readonly FeatureOverTime[] {
  const features = new Map<string, { last: Measured; points: FeaturePoint[] }>()
  for (const { setup, at, by, measured } of parts)
    for (const one of measured) {
      const judged = judgeFeature(one)
      if (judged === undefined) continue
      const key = JSON.stringify([one.feature, one.tool, nanometresOf(one.nominal), one.name ?? ''])
      const points = features.get(key)?.points ?? []
      points.push({ setup, at, by, judged })
      features.set(key, { last: one, points })
    }
  return [...features.values()].map(({ last, points }) => {
    const chart = controlChart(points.map(({ judged }) => judged.deviation / NANOMETRES_PER.mm))
    return { last, points, ...(chart && { chart }) }
  })
}
