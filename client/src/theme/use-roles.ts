import { DARK, LIGHT, type Roles } from './roles'
import { useScheme } from './use-scheme'

/** The colours of the theme in use as plain values, for the drawings. */
export const useRoles = (): Roles => (useScheme().scheme === 'dark' ? DARK : LIGHT)
