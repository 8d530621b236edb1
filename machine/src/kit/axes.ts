export const AXES = ['X', 'Y', 'Z'] as const

export type Axis = (typeof AXES)[number]

/** Three lengths, in nanometres. */
export type Place = Readonly<Record<Axis, number>>

/** The same for each axis. */
export const mapAxes = <T>(make: (axis: Axis) => T): Record<Axis, T> => ({
  X: make('X'),
  Y: make('Y'),
  Z: make('Z'),
})
