import useSWR from 'swr'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import {
  doneSchema,
  memberHistorySchema,
  shownJoinCodeSchema,
  shownTokenSchema,
  type NewToken,
  type Role,
  type ShownJoinCode,
  type ShownToken,
} from '@pine/contract'
import { api, ask } from './api'

/** Gives somebody another PIN: a lead anybody, everybody themselves. Who was signed in by the old one signs in again. */
export async function giveNewPin(id: string, pin: string): Promise<void> {
  await ask(api.members[':id'].pin.$put({ param: { id }, json: { pin } }), doneSchema)
}

/** Ends somebody's stay; what they entered keeps their name. */
export async function endStay(id: string): Promise<void> {
  await ask(api.members[':id'].$delete({ param: { id } }), doneSchema)
}

/** Everybody who is or was here, and what a lead does about them. */
export function useMembers() {
  const { data, error, mutate } = useSWR('members', () =>
    ask(api.members.$get(), z.array(memberHistorySchema)),
  )
  const then = async (done: Promise<unknown>): Promise<void> => {
    await done
    await mutate()
  }
  return {
    members: data,
    error: error as unknown,
    makeCode: (role: Role): Promise<ShownJoinCode> =>
      ask(api['join-codes'].$post({ json: { role } }), shownJoinCodeSchema),
    async makeToken(program: Omit<NewToken, 'id'>): Promise<ShownToken> {
      const shown = await ask(
        api.tokens.$post({ json: { id: uuid(), ...program } }),
        shownTokenSchema,
      )
      await mutate()
      return shown
    },
    setRole: (id: string, role: Role) =>
      then(ask(api.members[':id'].role.$put({ param: { id }, json: { role } }), doneSchema)),
    newPin: (id: string, pin: string) => then(giveNewPin(id, pin)),
    leave: (id: string) => then(endStay(id)),
    takeBack: (id: string) =>
      then(ask(api.members[':id'].back.$post({ param: { id } }), doneSchema)),
  }
}
