import { kept } from '@/data/device/kept'
import { erased, signTurned, typed } from '@/kit/entry/number-text'

beforeEach(() => window.localStorage.clear())

describe('what is kept on this device', () => {
  test('is there after a reload, which is a new store on the same storage', () => {
    kept('draft', '').write('-218.4')
    expect(kept('draft', '').read()).toBe('-218.4')
  })

  test('gives the same object until it is written, so that nothing redraws for nothing', () => {
    const store = kept('list', [1])
    expect(store.read()).toBe(store.read())
    store.write([2])
    expect(store.read()).toBe(store.read())
  })

  test('tells who watches, and not who stopped', () => {
    const store = kept('x', 0)
    const seen: number[] = []
    const stop = store.subscribe(() => seen.push(store.read()))
    store.write(1)
    stop()
    store.write(2)
    expect(seen).toEqual([1])
  })

  test('follows another window of the same device', () => {
    const store = kept('x', 0)
    store.read()
    const stop = store.subscribe(() => undefined)
    window.localStorage.setItem('pine.x', '7')
    window.dispatchEvent(new StorageEvent('storage', { key: 'pine.x' }))
    expect(store.read()).toBe(7)
    stop()
  })

  test('broken or forbidden storage does not stop the work', () => {
    window.localStorage.setItem('pine.x', '{broken')
    expect(kept('x', 'start').read()).toBe('start')
    const forbidden = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('quota')
    })
    const store = kept('y', '')
    store.write('still here')
    expect(store.read()).toBe('still here')
    forbidden.mockRestore()
  })
})

describe('number keys', () => {
  test('the sign can come first or last, and turns back', () => {
    expect(signTurned('')).toBe('-')
    expect(signTurned('218.4')).toBe('-218.4')
    expect(signTurned(signTurned('218.4'))).toBe('218.4')
  })
  test('a key that sticks ends somewhere', () => {
    expect([...'1'.repeat(40)].reduce(typed, '')).toHaveLength(14)
    expect(erased('1')).toBe('')
    expect(erased('')).toBe('')
  })
})
