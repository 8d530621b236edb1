import useSWR from 'swr'
import {
  keptSetupFileSchema,
  setupFileAnswerSchema,
  setupFilePreviewSchema,
  type SetupFilePreview,
} from '@pine/contract'
import type { SetupFile } from '@pine/core/facts'
import { api, ask } from '../server/api'

// No time limit, as the typed client has one: a set-up of twenty megabytes takes a while to be read.

/** A set-up file as it is understood; nothing is written by asking. */
export const previewSetupFile = (file: File): Promise<SetupFilePreview> =>
  ask(
    fetch(`/api/imports/set-up/preview?${new URLSearchParams({ name: file.name })}`, {
      method: 'POST',
      body: file,
    }),
    setupFilePreviewSchema,
  )

/** Has the server keep a set-up file, whole. */
export const keepSetupFile = (file: File): Promise<{ readonly sha256: string }> =>
  ask(fetch('/api/imports/set-up', { method: 'POST', body: file }), keptSetupFileSchema)

/** A set-up file that was kept; undefined until it is there, or where none is asked for. */
export function useKeptSetupFile(sha256: string | undefined) {
  const { data, error } = useSWR(sha256 === undefined ? null : ['set-up-file', sha256], () =>
    ask(
      api.imports['set-up'][':sha256'].$get({ param: { sha256: sha256 ?? '' } }),
      setupFileAnswerSchema,
    ),
  )
  return { file: data?.file as SetupFile | undefined, error: error as unknown }
}
