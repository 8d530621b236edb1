import useSWR from 'swr'
import { z } from 'zod'
import { personSchema, type Person } from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { api, ask } from './api'
import { flushOutbox } from './outbox'

const sessionSchema = z.object({ person: personSchema.nullable() })

/** Who is signed in on this device; undefined while that is not known yet. */
export function useSession() {
  const { data, error, isLoading, mutate } = useSWR('session', () =>
    ask(api.session.$get(), sessionSchema),
  )
  return {
    person: data?.person,
    loading: isLoading,
    error: error as unknown,
    async signIn(personId: string, pin: string) {
      const answer = await ask(api.session.$post({ json: { personId, pin } }), sessionSchema)
      await mutate(answer, { revalidate: false })
      // What was entered while nobody was signed in goes out now.
      void flushOutbox()
    },
    async signOut() {
      await mutate(await ask(api.session.$delete(), sessionSchema), { revalidate: false })
    },
  }
}

export function usePeople() {
  const { data, error, mutate } = useSWR('people', () =>
    ask(api.people.$get(), z.array(personSchema)),
  )
  return {
    people: data,
    error: error as unknown,
    async add(name: string, pin: string): Promise<Person> {
      const person = await ask(api.people.$post({ json: { id: uuid(), name, pin } }), personSchema)
      await mutate()
      return person
    },
  }
}
