import type { PictureExport } from '@pine/formats/exports'
import { fileOf } from '@/data/server/api'
import type { FileToHand } from './hand-over-file'

/** A drawing of a set-up as the server draws it now; throws what `ask` throws. */
export async function pictureOf(id: string, what: PictureExport): Promise<FileToHand> {
  const { name, content } = await fileOf(`/api/setups/${id}/exports/${what}`)
  return { name, type: content.type, content }
}
