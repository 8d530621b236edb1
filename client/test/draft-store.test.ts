import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'

/** A channel between pages of one device, as far as drafts use it. */
class Channel {
  static readonly open = new Set<Channel>()
  onmessage: ((event: { data: unknown }) => void) | undefined
  constructor() {
    Channel.open.add(this)
  }
  postMessage(data: unknown): void {
    for (const other of Channel.open) if (other !== this) other.onmessage?.({ data })
  }
  close(): void {
    Channel.open.delete(this)
  }
}

let navigation: string
beforeEach(() => {
  Reflect.deleteProperty(globalThis, Symbol.for('Dexie'))
  globalThis.indexedDB = new IDBFactory()
  Channel.open.clear()
  window.localStorage.clear()
  window.sessionStorage.clear()
  navigation = 'navigate'
  Object.assign(globalThis, { BroadcastChannel: Channel })
  performance.getEntriesByType = () => [{ type: navigation }] as never
})

/** A page of this device: its modules are its own, IndexedDB and the small store are shared. */
async function page(type: 'navigate' | 'reload' = 'navigate') {
  navigation = type
  jest.resetModules()
  const { draftStore } =
    // eslint-disable-next-line @typescript-eslint/no-require-imports -- fresh modules are a page that was just opened
    require('@/data/device/draft-store') as typeof import('@/data/device/draft-store')
  await draftStore.ready
  return draftStore
}
/** A tab that is closed, or that a phone has ended: it answers nobody any more. */
const closeAll = () => Channel.open.clear()
const written = () => new Promise((resolve) => setTimeout(resolve, 30))
const STEP = 'reading:a:tip-on-plane:T4'

test('two tabs at one step type each their own, and neither wipes the other’s', async () => {
  const [one, two] = [await page(), await page()]
  one.write(STEP, '-218.4')
  two.write(STEP, '-218.462')
  one.write('other', 7)
  expect([one.read(STEP), two.read(STEP)]).toEqual(['-218.4', '-218.462'])
  two.clear(STEP)
  expect([one.read(STEP), one.read('other'), two.has(STEP)]).toEqual(['-218.4', 7, false])
  await written()
  // The tab that cleared knows nothing of the other’s, which is there still.
  expect((await page()).has(STEP)).toBe(false)
})

test('a tab has its own again after a reload, whatever another has typed since', async () => {
  const one = await page()
  one.write(STEP, '-218.4')
  await written()
  const mine = window.sessionStorage.getItem('pine.tab')
  window.sessionStorage.clear()
  const two = await page()
  two.write(STEP, '-1')
  await written()
  window.sessionStorage.setItem('pine.tab', mine ?? '')
  closeAll()
  expect((await page('reload')).read(STEP)).toBe('-218.4')
})

test('a tab that is opened as a copy of another is another one', async () => {
  const one = await page()
  one.write(STEP, '-218.4')
  // The copy begins with the session’s small store of the one that it was copied from.
  const copy = await page('navigate')
  copy.write(STEP, '-3')
  expect(one.read(STEP)).toBe('-218.4')
})

test('what a tab that is gone had half typed is taken over, and cleared with it', async () => {
  const one = await page()
  one.write(STEP, '-218.4')
  await written()
  closeAll()
  const two = await page()
  expect([two.has(STEP), two.read(STEP)]).toEqual([true, '-218.4'])
  two.write(STEP, '-218.46')
  two.clear(STEP)
  expect(two.has(STEP)).toBe(false)
  await written()
  closeAll()
  expect((await page()).has(STEP)).toBe(false)
})

test('of a tab that is open it takes nothing over: two new set-ups are two', async () => {
  const one = await page()
  one.write('new-setup-ids', 'first')
  await written()
  expect((await page()).has('new-setup-ids')).toBe(false)
})

test('what a version before kept in one value is there', async () => {
  window.localStorage.setItem('pine.drafts', JSON.stringify({ [STEP]: { text: '-2' } }))
  const now = await page()
  expect(now.read(STEP)).toEqual({ text: '-2' })
  expect(window.localStorage.getItem('pine.drafts')).toBeNull()
})

test('where the browser keeps nothing it lives as long as the page', async () => {
  globalThis.indexedDB = {
    open: () => {
      throw new Error('forbidden')
    },
  } as never
  const store = await page()
  store.write(STEP, '-2')
  expect(store.read(STEP)).toBe('-2')
})

test('who watches is told, and gets the same object until it is written', async () => {
  const store = await page()
  let told = 0
  const stop = store.subscribe(() => (told += 1))
  store.write(STEP, { text: '-2' })
  expect(store.read(STEP)).toBe(store.read(STEP))
  store.clear(STEP)
  stop()
  store.write(STEP, 1)
  expect(told).toBe(2)
})
