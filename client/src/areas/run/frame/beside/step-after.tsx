import { createContext, useContext, type ReactNode } from 'react'

const After = createContext<ReactNode>(null)

/** What stands below every step of a wide screen, given once: the frames of the steps place it at their end. */
export const StepAfterProvider = After.Provider

/** The end of a step's page: the drawings that it does not show itself, where there is room for them. */
export const StepAfter = () => useContext(After)
