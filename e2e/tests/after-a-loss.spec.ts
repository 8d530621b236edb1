import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { declare, enterFact, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { mm, ONE_VISE } from '../support/sheets'
import { visit } from '../support/visit'

// The power was cut: home, one known place compared, what was in force seen, everything read back; and what differs, by its reasons.

test('after a power cut a known place is compared, the rows are read back, and the page of differences says why', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const [machineId, id] = [uuid(), uuid()]
  const machine = { name: 'Dark mill', kind: 'mill', homing: 'switches', control: PLAIN_CONTROL }
  await declare(page, demo.address, ['machine', machineId], machine)
  const setter = { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }
  const tools = [{ number: 1, name: 'end mill', lengthRegister: 1 }]
  const say = (kind: string, body: object) =>
    enterFact(page, demo.address, ['setup', id], { kind, body })
  await say('sheet', {
    ...{ name: 'In the dark', unit: 'mm', machineId, machine, school: 'setting-plane', zero: '' },
    ...{ plane: 'block on the table', gauges: [setter], tools, ...ONE_VISE },
  })
  await say('check-off', { of: 'home' })
  await say('reading', { of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: [setter.id] })
  await say('key-in', { address: 'H1', mode: 'set', typed: mm('-270.000') })
  await say('read-back', { address: 'H1', moment: 'after', shown: mm('-270.000') })
  await say('event', { kind: 'home-lost' })

  await visit(page, `${demo.address}/setups/${id}`)
  await expect(page.getByTestId('known-places')).toContainText('Z −220.000')
  await mira.numbers({ Z: '-219.988' })
  await expect(page.getByTestId('compared-Z')).toContainText('shows 0.012 mm more than before')
  await mira.look('home-again')
  expect(await barriers(page)).toEqual([])
  await mira.next()
  // H1 follows by as much, and is keyed and read back anew.
  await mira.goTo('key-in:H1')
  await mira.keyIn('H1', '−269.988')

  await visit(page, `${demo.address}/setups/compare?id=${id}`)
  await expect(page.getByTestId('differs')).toHaveText('1 number differs, 0 as before.')
  const differences = page.getByTestId('differences')
  await expect(differences).toContainText('+0.012 mm')
  await expect(differences).toContainText('home found again elsewhere')
  await mira.look('compare')
  expect(await barriers(page)).toEqual([])

  // The shop's log finds what was keyed into the row, in whichever set-up, and leads there.
  await visit(page, `${demo.address}/log`)
  await page.getByRole('radio', { name: 'Dark mill' }).click()
  await page.getByTestId('log-register').fill('h1')
  const log = page.getByTestId('shop-log')
  await expect(log).toContainText('H1 was set to −269.988 mm.')
  await expect(log).not.toContainText('The set-up')
  await mira.look('shop-log')
  expect(await barriers(page)).toEqual([])
  await log.getByRole('link').first().click()
  await expect(page.getByText('In the dark').first()).toBeVisible()
})
