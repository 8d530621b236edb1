import { act, renderHook, waitFor } from '@testing-library/react'
import { useController, type Control, type FieldPath } from 'react-hook-form'
import { useKeptForm, type FormOutcome } from '@/data/device/use-kept-form'

interface Typed {
  readonly name: string
  readonly at: { readonly X: string; readonly Y: string }
}

const empty: Typed = { name: '', at: { X: '', Y: '' } }

const make = ({ name, at }: Typed): FormOutcome<Typed, { called: string }> =>
  at.X === 'wrong'
    ? { problems: { 'at.X': 'not that', 'at.Y': 'nor this', name: 'no name' } }
    : { made: { called: name.toUpperCase() } }

let forms = 0

/** What a field of a screen reads while it is drawn. */
function useField(control: Control<Typed, unknown, { called: string }>, name: FieldPath<Typed>) {
  const { field, fieldState } = useController({ control, name })
  return { value: field.value, onChange: field.onChange, wrong: fieldState.error?.message }
}

/** A form as a screen holds it, with three of its fields. */
function open(send: (made: { called: string }) => Promise<void>, key = `test-${(forms += 1)}`) {
  const hook = renderHook(() => {
    const form = useKeptForm(key, empty, make, send)
    const { control } = form
    return {
      form,
      name: useField(control, 'name'),
      x: useField(control, 'at.X'),
      y: useField(control, 'at.Y'),
    }
  })
  return { key, hook, now: () => hook.result.current }
}

test('what comes of it is sent, and then nothing of it is kept', async () => {
  const sent: string[] = []
  const { key, hook, now } = open(async ({ called }) => void sent.push(called))
  await act(async () => now().name.onChange('mill 3'))
  await act(async () => now().form.submit())
  await waitFor(() => expect(sent).toEqual(['MILL 3']))
  hook.unmount()
  expect(open(async () => undefined, key).now().name.value).toBe('')
})

test('what is typed survives the page being left', async () => {
  const { key, hook, now } = open(async () => undefined)
  await act(async () => now().name.onChange('mill 3'))
  await act(async () => now().x.onChange('5'))
  hook.unmount()
  const again = open(async () => undefined, key)
  expect(again.now().name.value).toBe('mill 3')
  expect(again.now().x.value).toBe('5')
})

test('every problem stands at its own field, two in the same group too, and nothing is sent', async () => {
  const send = jest.fn()
  const { now } = open(send)
  await act(async () => now().x.onChange('wrong'))
  await act(async () => now().form.submit())
  await waitFor(() => expect(now().x.wrong).toBe('not that'))
  expect(now().y.wrong).toBe('nor this')
  expect(now().name.wrong).toBe('no name')
  expect(send).not.toHaveBeenCalled()
})

test('a failure to send is told in words, and what was typed stays', async () => {
  const { key, hook, now } = open(async () => {
    throw new Error('the server is gone')
  })
  await act(async () => now().name.onChange('mill 3'))
  await act(async () => now().form.submit())
  await waitFor(() => expect(now().form.failure).toMatch(/\w{4}/))
  hook.unmount()
  expect(open(async () => undefined, key).now().name.value).toBe('mill 3')
})
