import type { SetupAnswer } from '@pine/contract'
import type { ToldSetup } from '../store/store'
import type { StandingSetup } from './set-up-streams'

/** A set-up as it is answered. */
export function answerOf({ id, facts, createdBy, createdAt }: StandingSetup): SetupAnswer {
  return {
    file: { format: 'pine-compass/setup', version: 2, id, facts: [...facts] },
    createdBy: createdBy.name,
    createdAt: createdAt.toISOString(),
  }
}

/** The same of facts that are JSON already. */
export function answerAsJson({ head: { id, createdBy, createdAt }, facts }: ToldSetup): string {
  const file: Omit<SetupAnswer['file'], 'facts'> = { format: 'pine-compass/setup', version: 2, id }
  const beside: Omit<SetupAnswer, 'file'> = {
    createdBy: createdBy.name,
    createdAt: createdAt.toISOString(),
  }
  const withFacts = `${JSON.stringify(file).slice(0, -1)},"facts":${facts}}`
  return `${JSON.stringify(beside).slice(0, -1)},"file":${withFacts}}`
}
