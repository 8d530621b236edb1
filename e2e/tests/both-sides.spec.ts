import { readFileSync } from 'node:fs'
import type { SetupFile } from '@pine/core/facts'
import { expect, test } from '../support/product'
import { Machinist } from '../support/machinist'

const { facts } = JSON.parse(
  readFileSync(new URL('../../docs/examples/both-sides.json', import.meta.url), 'utf8'),
) as SetupFile
const sheet = facts[0]!.body

test('screws with backlash: from which side each end was met is asked, and counts', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await mira.begin(sheet)
  await mira.ready()
  const between = (group: string, name: string) =>
    page.getByRole('group', { name: group }).getByRole('checkbox', { name }).click()
  const came = (question: string, answer: string) =>
    page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: answer }).click()
  const done = () => page.getByRole('button', { name: 'Done' }).click()

  // T1 on the setter whose foot stands 12 below the jaw: −232 − 50 + 12.
  await mira.goTo('tip-on-plane:T1')
  await mira.keys('-232.000')
  await expect(page.getByTestId('implied')).toHaveText('−270.000')

  // A swept dial: nobody knows from where X and Y came, until it is said.
  await mira.goTo('sweep:G54.1 P2')
  await page.getByRole('button', { name: 'which dial, from where' }).click()
  await expect(page.getByText('Left open, the backlash is added').first()).toBeVisible()
  await between('Which dial was swept?', 'lever dial')
  await came('How did X come to its place?', 'moving X+')
  await came('How did Y come to its place?', 'moving Y−')
  await done()
  await mira.numbers({
    read: '-300.000',
    readY: '-200.000',
    right: '-0.030',
    back: '0.020',
    left: '0.030',
    front: '-0.020',
  })
  await expect(page.getByTestId('implied')).toHaveText('−299.990')
  await mira.look('both-sides-sweep')
  await mira.next()

  // A difference: a block that was risen to here, a shim that was lowered on there.
  await mira.goTo('fixture-difference:G54.1 P2:G54')
  await page.getByRole('radio', { name: 'on the part of G54', exact: true }).click()
  await page.getByRole('button', { name: 'nothing between' }).click()
  await between('What lay between at the part of G54?', '0.1 mm shim')
  await between('What lay between at the part of G54.1 P2?', '25 mm block')
  await came('How did Z come to the part of G54.1 P2?', 'rising')
  await came('How did Z come to the part of G54?', 'lowering')
  await done()
  await mira.keys('26.912')
  await mira.look('both-sides-difference')
  await mira.next()

  const id = /setups\/([^?]+)/.exec(page.url())![1]!
  await expect
    .poll(async () => {
      const answer = await page.request.get(`${demo.address}/api/setups/${id}`)
      const { facts } = (await answer.json()).file as SetupFile
      return facts.flatMap((fact) => (fact.kind === 'reading' ? [fact.body] : []))
    })
    .toMatchObject([
      { of: 'sweep', with: ['dial'], approaches: { X: '+', Y: '-' } },
      {
        of: 'fixture-difference',
        with: ['block'],
        approach: '+',
        withOnFrom: ['shim'],
        approachOnFrom: '-',
      },
    ])
})
