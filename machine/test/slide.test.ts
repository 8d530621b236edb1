import { Slide } from '../src/iron'
import { mm } from './bench-mill'

const slide = (lostMotion = 0.02, at = 0) =>
  new Slide({ travel: { min: mm(-100), max: mm(1) }, lostMotion: mm(lostMotion), home: 0 }, mm(at))

test('a screw that turns round moves its play before the slide follows', () => {
  const one = slide()
  one.drive(mm(-10))
  expect([one.shown, one.truth]).toEqual([mm(-10), mm(-9.98)])
  one.drive(mm(-9.99))
  expect([one.shown, one.truth]).toEqual([mm(-9.99), mm(-9.98)])
  one.drive(mm(-9.97))
  expect([one.shown, one.truth]).toEqual([mm(-9.97), mm(-9.97)])
  // The same place is read the play higher when it is come to from below.
  one.drive(mm(-20))
  one.drive(mm(-9.98))
  expect(one.truth).toBe(mm(-9.98))
  one.drive(mm(0))
  one.drive(mm(-10))
  expect(one.truth).toBe(mm(-9.98))
})

test('it stops at its stops, and says so', () => {
  const one = slide()
  expect(one.drive(mm(-200))).toBe(false)
  expect(one.shown).toBe(mm(-100))
  expect(one.drive(mm(-99))).toBe(true)
})

test('power takes the count away; homing finds it again to its scatter, a mark to what somebody says', () => {
  const one = slide()
  one.drive(mm(-10))
  one.losePower(0)
  expect([one.shown, one.isHomed, one.truth]).toEqual([0, false, mm(-9.98)])
  one.homeBySwitch(1.5)
  expect([one.shown, one.isHomed]).toEqual([0, true])
  // Found 3 µm too high: everything reads 3 µm lower than it did.
  one.drive(mm(-10))
  expect(one.truth).toBe(mm(-10) + 3000 + mm(0.02))
  one.losePower(mm(5))
  one.setHere(mm(-10))
  expect([one.shown, one.isHomed]).toEqual([mm(-10), true])
})

test('a slide without a switch is not homed by one', () => {
  const bare = new Slide({ travel: { min: mm(-10), max: mm(10) }, lostMotion: 0 }, 0)
  bare.losePower(0)
  bare.homeBySwitch(0)
  expect(bare.isHomed).toBe(false)
})
