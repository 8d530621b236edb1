import useSWR, { preload } from 'swr'
import { z } from 'zod'
import { may, personSchema, sessionAnswerSchema, type Action, type Person } from '@pine/contract'
import { v7 as uuid } from 'uuid'
import { api, ask } from './api'
import { sendAs } from '../outbox/outbox'
import { seenBefore } from '../device/seen-before'

const askSession = async () => {
  const answer = await ask(api.session.$get(), sessionAnswerSchema)
  // Signed out here, by a lead, or on another device: what was seen before is nobody's to look at.
  if (answer.person === null) await seenBefore.forget()
  return answer
}
const askPeople = () => ask(api.people.$get(), z.array(personSchema))

/** Asks who is signed in, and for the names where nobody is, before anything is drawn that needs the answer. */
export function askAhead(): void {
  const preloadedSession = preload('session', askSession)
  // Without an answer, whoever draws with it asks again and says why.
  preloadedSession
    .then(({ person }) => (person === null ? preload('people', askPeople) : undefined))
    .catch(() => undefined)
}

/** Who is signed in on this device; undefined while that is not known yet. */
export function useSession() {
  const { data, error, isLoading, mutate } = useSWR('session', askSession)
  return {
    person: data?.person,
    firstNeedsCode: data?.firstNeedsCode === true,
    demoOnNetwork: data?.demoOnNetwork === true,
    loading: isLoading,
    error: error as unknown,
    async signIn(personId: string, pin: string) {
      const answer = await ask(api.session.$post({ json: { personId, pin } }), sessionAnswerSchema)
      await mutate(answer, { revalidate: false })
      sendAs(answer.person ?? undefined)
    },
    async signOut() {
      sendAs(undefined)
      // Whoever closes the page in the same moment is signed out all the same.
      const signsOut = api.session.$delete({}, { init: { keepalive: true } })
      await mutate(await ask(signsOut, sessionAnswerSchema), { revalidate: false })
      await seenBefore.forget()
    },
    /** Ends every session of this person, on whichever device. */
    async signOutEverywhere() {
      sendAs(undefined)
      await ask(api.sessions.$delete(), sessionAnswerSchema)
      await seenBefore.forget()
      await mutate()
    },
  }
}

/** Whether whoever is signed in may do something; nobody may, where that is not known yet. */
export function useMay(action: Action): boolean {
  const { person } = useSession()
  return person ? may(person, action) : false
}

export function usePeople() {
  const { data, error, mutate } = useSWR('people', askPeople)
  return {
    people: data,
    error: error as unknown,
    async add(name: string, pin: string, code: string | undefined): Promise<Person> {
      const json = { id: uuid(), name, pin, ...(code !== undefined && { code }) }
      const person = await ask(api.people.$post({ json }), personSchema)
      await mutate()
      return person
    },
  }
}
