import { AXES, type Axis } from '../kit'

/** What is told of a machine, one line each: names of ANSI/MTC1.4 (MTConnect 1.4), from memory. */
export interface Item {
  readonly id: string
  readonly component: ComponentId
  readonly category: 'SAMPLE' | 'EVENT' | 'CONDITION'
  /** As a device declares it: `POSITION`. */
  readonly type: string
  /** As a stream tells it: `Position`. */
  readonly element: string
  readonly subType?: string
  readonly units?: string
  readonly coordinateSystem?: 'MACHINE' | 'WORK'
}

export type ComponentId = 'device' | 'x' | 'y' | 'z' | 's' | 'controller' | 'path'

/** The parts of the device, as its probe nests them. */
export const COMPONENTS: Readonly<
  Record<ComponentId, { readonly of: string; readonly name: string }>
> = {
  device: { of: 'Device', name: '' },
  x: { of: 'Linear', name: 'X' },
  y: { of: 'Linear', name: 'Y' },
  z: { of: 'Linear', name: 'Z' },
  s: { of: 'Rotary', name: 'S' },
  controller: { of: 'Controller', name: 'controller' },
  path: { of: 'Path', name: 'path' },
}

/**
 * What the standard has no name for in this version: which axes are homed, and what the tables hold. They are told in a namespace of
 * our own, as it allows.
 */
export const OWN = { prefix: 'own', uri: 'urn:pine-compass:machine:1' } as const

const axisId = (axis: Axis) => axis.toLowerCase() as 'x' | 'y' | 'z'

const ofAxis = (axis: Axis): readonly Item[] => [
  ...(['MACHINE', 'WORK'] as const).map((coordinateSystem) => ({
    id: `${axisId(axis)}-${coordinateSystem.toLowerCase()}`,
    component: axisId(axis),
    ...({ category: 'SAMPLE', type: 'POSITION', element: 'Position', subType: 'ACTUAL' } as const),
    ...{ units: 'MILLIMETER', coordinateSystem },
  })),
  {
    ...{ id: `${axisId(axis)}-homed`, component: axisId(axis), category: 'EVENT' },
    ...{ type: 'own:HOMED', element: 'own:Homed' },
  },
]

const event = (id: string, component: ComponentId, type: string, element: string): Item => ({
  ...{ id, component, category: 'EVENT', type, element },
})

export const ITEMS: readonly Item[] = [
  event('avail', 'device', 'AVAILABILITY', 'Availability'),
  ...AXES.flatMap(ofAxis),
  {
    ...{ id: 's-speed', component: 's', category: 'SAMPLE', type: 'ROTARY_VELOCITY' },
    ...{ element: 'RotaryVelocity', subType: 'ACTUAL', units: 'REVOLUTION/MINUTE' },
  },
  event('estop', 'controller', 'EMERGENCY_STOP', 'EmergencyStop'),
  {
    ...{ id: 'system', component: 'controller', category: 'CONDITION', type: 'SYSTEM' },
    ...{ element: 'SYSTEM' },
  },
  event('tables', 'controller', 'own:OFFSETS', 'own:Offsets'),
  event('mode', 'path', 'CONTROLLER_MODE', 'ControllerMode'),
  event('execution', 'path', 'EXECUTION', 'Execution'),
  event('program', 'path', 'PROGRAM', 'Program'),
  event('line', 'path', 'LINE_NUMBER', 'LineNumber'),
  event('block', 'path', 'BLOCK', 'Block'),
  event('tool', 'path', 'TOOL_NUMBER', 'ToolNumber'),
  event('work-offset', 'path', 'WORK_OFFSET', 'WorkOffset'),
  event('tool-offset', 'path', 'TOOL_OFFSET', 'ToolOffset'),
]
