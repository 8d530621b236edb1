import 'fake-indexeddb/auto'
import { waitFor } from '@testing-library/react'
import { IDBFactory } from 'fake-indexeddb'

beforeEach(() => {
  // Dexie is one for all that is loaded, and keeps the IndexedDB that it found.
  Reflect.deleteProperty(globalThis, Symbol.for('Dexie'))
  globalThis.indexedDB = new IDBFactory()
})

/** A page of this device: its modules are its own, its IndexedDB is shared with every other page. */
function page() {
  jest.resetModules()
  /* eslint-disable @typescript-eslint/no-require-imports -- fresh modules are a page that was just opened */
  const { seenBefore, keepAnswers } =
    require('@/data/device/seen-before') as typeof import('@/data/device/seen-before')
  const swr = require('swr') as typeof import('swr')
  // A page draws with its own React.
  const { render, screen } =
    require('@testing-library/react/pure') as typeof import('@testing-library/react')
  /* eslint-enable */
  return { seenBefore, keepAnswers, swr, render, screen }
}
type ThisPage = ReturnType<typeof page>

const loaded = ({ seenBefore }: ThisPage) => waitFor(() => expect(seenBefore.loaded()).toBe(true))

const cached = ({ swr }: ThisPage, key: string) => swr.SWRConfig.defaultValue.cache.get(key)?.data

test('what was answered is there when the page is opened again; only what opens it is kept', async () => {
  const first = page()
  await loaded(first)
  await first.seenBefore.keep('session', { person: { name: 'Mira' } })
  await first.seenBefore.keep('@"setup","a",', { file: 1 })
  await first.seenBefore.keep('@"setup","a",', { file: 2 })
  await first.seenBefore.keep('people', ['Jory'])
  const again = page()
  await loaded(again)
  expect(cached(again, 'session')).toEqual({ person: { name: 'Mira' } })
  expect(cached(again, '@"setup","a",')).toEqual({ file: 2 })
  expect(cached(again, 'people')).toBeUndefined()
})

test('the oldest are forgotten, not the ones that were asked for again', async () => {
  const first = page()
  await loaded(first)
  for (let id = 0; id < 400; id += 1) await first.seenBefore.keep(`@"setup","${id}",`, id)
  await first.seenBefore.keep('@"setup","0",', 'again')
  await first.seenBefore.keep('session', 'the newest')
  const again = page()
  await loaded(again)
  expect(cached(again, '@"setup","0",')).toBe('again')
  expect(cached(again, '@"setup","1",')).toBeUndefined()
  expect(cached(again, 'session')).toBe('the newest')
})

test('who signs out leaves nothing', async () => {
  const first = page()
  await loaded(first)
  await first.seenBefore.keep('@"setups","",undefined,"open",undefined,50,', ['Focuser'])
  await first.seenBefore.forget()
  const again = page()
  await loaded(again)
  expect(cached(again, '@"setups","",undefined,"open",undefined,50,')).toBeUndefined()
})

test('a browser that keeps nothing opens all the same', async () => {
  globalThis.indexedDB = {
    open: () => {
      throw new Error('forbidden')
    },
  } as unknown as IDBFactory
  const here = page()
  await loaded(here)
  await here.seenBefore.keep('@"setups","",undefined,"open",undefined,50,', [])
  await here.seenBefore.forget()
})

test('every answer that a screen gets is kept as it comes', async () => {
  const first = page()
  await loaded(first)
  const { default: useSWR, SWRConfig } = first.swr
  function Screen() {
    const { data } = useSWR(['setup', 'b'], async () => 'a set-up')
    return <p>{data}</p>
  }
  first.render(
    <SWRConfig value={{ use: [first.keepAnswers] }}>
      <Screen />
    </SWRConfig>,
  )
  await first.screen.findByText('a set-up')
  await waitFor(async () => {
    const again = page()
    await loaded(again)
    expect(cached(again, '@"setup","b",')).toBe('a set-up')
  })
})
