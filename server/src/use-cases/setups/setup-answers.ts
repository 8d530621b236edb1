import type { SetupAnswer } from '@pine/contract'
import type { SetupJson } from '../../store/store'
import type { LoadedSetup } from '../facts/set-up-streams'

/** A set-up as it is answered. */
export function answerOf({ id, facts, createdBy, createdAt }: LoadedSetup): SetupAnswer {
  return {
    file: { format: 'pine-compass/setup', version: 2, id, facts: [...facts] },
    createdBy: createdBy.name,
    createdAt: createdAt.toISOString(),
  }
}

/** The same of facts that are JSON already. */
export function answerAsJson({ head: { id, createdBy, createdAt }, facts }: SetupJson): string {
  const file: Omit<SetupAnswer['file'], 'facts'> = { format: 'pine-compass/setup', version: 2, id }
  const beside: Omit<SetupAnswer, 'file'> = {
    createdBy: createdBy.name,
    createdAt: createdAt.toISOString(),
  }
  const withFacts = `${JSON.stringify(file).slice(0, -1)},"facts":${facts}}`
  return `${JSON.stringify(beside).slice(0, -1)},"file":${withFacts}}`
}
