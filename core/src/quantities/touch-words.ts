import type { Face, Side } from '../touch/touch'

/** Cautions of the step; the machine's manual, local rules and licensed practice come first (docs/domain.md, “Cautions”). */
export const CAUTIONS = {
  nose: 'Spindle stopped, tool out. Smallest step near contact, whole hand on the wheel.',
  tip: 'Spindle stopped; smallest step near contact, whole hand on the wheel. Edges cut: hold the shank.',
  cycle:
    'It moves by itself: thumb on feed hold, hands away. Only with a tool that the control changed in: after a change by hand the cycle counts wrong.',
  pin: 'Spindle stopped. Raise Z before crossing the part; smallest step near contact, fingers clear.',
  cutter:
    'Spindle stopped, widest diameter against the face. A tapered bit meets it elsewhere: put a pin in its place.',
  plate:
    'Clip on, and the circuit shown before anything moves; clip and plate off before the spindle starts. A routine with a length active dives by that length: none active.',
  sensor:
    'Spindle stopped; its body clear of jaws and clamps. A dial one gently to its mark; an electronic one only by its routine, never jogged into contact. Out before the spindle turns.',
  difference: 'Spindle stopped. Move Z up before X or Y, and come down with the smallest step.',
} as const

export const faceNames: Readonly<
  Record<Face, { outside: string; inside: string; from: string; inward: string }>
> = {
  left: {
    outside: 'left face',
    inside: 'left wall',
    from: 'from the left',
    inward: 'towards the left',
  },
  right: {
    outside: 'right face',
    inside: 'right wall',
    from: 'from the right',
    inward: 'towards the right',
  },
  front: {
    outside: 'front face',
    inside: 'front wall',
    from: 'from the front',
    inward: 'towards the front',
  },
  back: {
    outside: 'back face',
    inside: 'back wall',
    from: 'from the back',
    inward: 'towards the back',
  },
}

/**
 * @example faceName('left', 'inside') // 'left wall'
 */
export const faceName = (face: Face, side: Side): string => faceNames[face][side]

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
