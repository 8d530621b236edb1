import { Choice } from '@/kit/entry/choice'
import { Section } from '@/kit/frame/section'
import { COLUMN_ROLES, ROLE_NAMES, type ColumnRole } from './table-view'

type By = 'itself' | 'tools' | 'offsets'

/** Which column of a table is what, for one that does not say it: seen by its first line of numbers. */
export function ColumnsEntry({
  by,
  onBy,
  sample,
  chosen,
  onChoose,
}: {
  readonly by: By
  readonly onBy: (by: By) => void
  /** The cells of its first line with numbers. */
  readonly sample: readonly string[]
  readonly chosen: Readonly<Partial<Record<ColumnRole, number>>>
  readonly onChoose: (chosen: Partial<Record<ColumnRole, number>>) => void
}) {
  const options = sample.map((cell, index) => ({
    value: String(index),
    label: cell === '' ? '(empty)' : cell,
  }))
  return (
    <Section title="How it is laid out">
      <Choice
        label="The table"
        options={[
          { value: 'itself', label: 'names its rows' },
          { value: 'tools', label: 'columns of tools' },
          { value: 'offsets', label: 'columns of work offsets' },
        ]}
        value={by}
        onChange={onBy}
      />
      {by !== 'itself' &&
        COLUMN_ROLES[by].map((role) => (
          <Choice
            key={role}
            label={`In this line, the ${ROLE_NAMES[role]} is`}
            options={options}
            value={chosen[role] === undefined ? undefined : String(chosen[role])}
            onChange={(column) =>
              // The same column once more is taken back.
              onChoose({
                ...chosen,
                [role]: chosen[role] === Number(column) ? undefined : Number(column),
              })
            }
          />
        ))}
    </Section>
  )
}
