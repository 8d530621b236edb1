import useSWR from 'swr'
import { z } from 'zod'
import { personSchema, type Person } from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { api, ask } from './api'
import { sendAs } from './outbox'

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
      sendAs(answer.person ?? undefined)
    },
    async signOut() {
      sendAs(undefined)
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
