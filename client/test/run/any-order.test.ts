import { lastTouch, runView } from '../../src/areas/run/frame/run-view'
import { after, example, mm } from './set-ups'

const blank = example('whole-run', 1)
const homed = after(blank, { kind: 'check-off', body: { of: 'home' } })

test.each(['face:G54:front', 'face:G54:left', 'tip-on-plane:T1'])(
  '%s waits for home, and for nothing else once that is done',
  (key) => {
    expect(runView(blank, key).waitsFor?.step.key).toBe('home')
    const view = runView(homed, key)
    expect([view.current.step.key, view.waitsFor]).toEqual([key, undefined])
  },
)

test('Z first: a difference on the counter does not even wait for home', () => {
  expect(runView(blank, 'carried-difference:G54').waitsFor).toBeUndefined()
})

test('Next goes to what is open, also where something was passed over', () => {
  const Y = after(homed, {
    kind: 'reading',
    body: { of: 'face', row: 'G54', face: 'front', with: ['finder'], read: mm('-255.000') },
  })
  const next = runView(Y, 'face:G54:front').following()
  expect(Y.steps.find(({ step }) => step.key === next)).toMatchObject({ done: false })
  // X was passed over: it is open, and what is asked when nobody says otherwise is the first that is.
  expect(Y.steps.find(({ step }) => step.key === 'face:G54:left')?.done).toBe(false)
  expect(runView(Y, undefined).current.step.key).toBe(Y.next?.step.key)
})

test('the last touch is the one that was made here last, whichever step that is', () => {
  expect(lastTouch(blank)).toBeUndefined()
  const touched = after(
    homed,
    { kind: 'reading', body: { of: 'nose-on-plane', with: ['setter'], read: mm('-300.000') } },
    {
      kind: 'reading',
      body: { of: 'face', row: 'G54', face: 'left', with: ['finder'], read: mm('-412.300') },
    },
  )
  expect(lastTouch(touched)?.key).toBe('face:G54:left')
})
