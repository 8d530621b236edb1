import { useState } from 'react'
import { type ProgramRead, type SetupDocument } from '@pine/core/facts'
import { fileAtMachine } from '@pine/core/running'
import { describeFileAtMachine } from '@pine/core/words'
import type { Enter } from '@/data/outbox/fact-draft'
import { hashFile } from '@/data/program/program-file'
import { FilePicker } from '@/kit/entry/file-picker'
import { Card } from '@/kit/surfaces'
import { Words } from '@/kit/words'

/** Whether the file at the machine is the one that was read: by its hash, never by its name. */
export function MachineCheck({
  kept,
  document,
  enter,
}: {
  readonly kept: ProgramRead
  readonly document: SetupDocument
  readonly enter: Enter
}) {
  const [failed, setFailed] = useState(false)
  const check = (file: File) => {
    setFailed(false)
    void hashFile(file).result.then((result) => {
      if ('ok' in result) return enter({ kind: 'program-check', body: { sha256: result.ok } })
      setFailed(true)
      return undefined
    })
  }
  const last = document.programChecks.at(-1)
  const file = fileAtMachine(kept, document)
  return (
    <Card padded tone={file === 'another' ? 'wrong' : 'plain'}>
      <Words as="lead" strong role="heading" aria-level={2}>
        Is it the file at the machine?
      </Words>
      <Words as="note">
        Save it back from the machine to a stick, and pick it from there. Names say nothing: every
        letter of it is compared.
      </Words>
      {failed && (
        <Words tone="wrong" role="alert">
          That file could not be read to its end. Pick it again.
        </Words>
      )}
      {last !== undefined && (
        <Words strong tone={file === 'same' ? 'act' : 'wrong'} role="status" testID="machine-check">
          {describeFileAtMachine(file)} Looked at by {last.by.name}.
        </Words>
      )}
      <FilePicker onPick={check} testID="machine-file">
        Pick the file from the machine
      </FilePicker>
    </Card>
  )
}
