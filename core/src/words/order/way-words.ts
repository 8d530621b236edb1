import type { School } from '../../schools/schools'
import type { ZWay } from '../../schools/ways-of-z'
import type { PlanWay } from '../../sheet/plan-ways'

/** What lengths are counted from, to be chosen among: “Tool lengths are …”. */
export const SCHOOL_NAMES: Readonly<Record<School, string>> = {
  'setting-plane': 'to a setting plane',
  'gauge-line': 'real lengths, from the nose',
  'part-top': 'to the top of this part',
  'master-tool': 'compared with a master tool',
}

/** What each school means for the work. */
export const SCHOOL_NOTES: Readonly<Record<School, string>> = {
  'setting-plane':
    'Every tool is touched to one fixed plane. H is where the machine then stands; the part’s height above the plane goes into Z of the work offset. A new part needs no tool again.',
  'gauge-line':
    'H is the true length of each tool, from the spindle nose to the tip: always positive, and a caliper can check it. The bare nose is touched once first.',
  'part-top':
    'Every tool is touched on the stock top of this part. Quick for one part with few tools; the next part needs every tool again.',
  'master-tool':
    'One tool is the master; H of every other is how much longer or shorter it is. A re-set master makes them all unsound.',
}

/** How X and Y are found: “X and Y are found by …”. */
export const PLAN_WAY_NAMES: Readonly<Record<PlanWay, string>> = {
  faces: 'touching faces',
  'circle-inside': 'touching around in a bore',
  'circle-outside': 'touching around a boss',
  sweep: 'sweeping a dial',
  corner: 'a corner that may be turned',
}

/** How the stock top is found: “Z: the stock top is found …”. */
export const Z_WAY_NAMES: Readonly<Record<ZWay, string>> = {
  'carried-difference': 'by carrying the difference from the plane',
  'nose-on-part': 'with the bare nose on the part',
  'tool-on-part': 'with a tool, a sensor or a plate on the part',
  'fixture-difference': 'by the difference from another part',
  'part-top': 'by the tools themselves: they are touched on it',
}
