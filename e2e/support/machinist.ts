import { expect, request, type APIRequestContext, type Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { enterFact } from './declare'
import { visit } from './visit'

const KEY_NAMES: Readonly<Record<string, string>> = { '.': 'decimal point', '-': 'change sign' }

/** A device tries again every few seconds. */
const LONGEST_AWAY_MS = 60_000

/** What a person does, in the words of the screen. */
export class Machinist {
  constructor(
    readonly page: Page,
    readonly address: string,
    /** Long runs put numbers in at once; that our keys type them is seen by the shorter tests. */
    private readonly quick = false,
    /** Of Mira Toller, the lead, who lets others in: the demonstration’s is published, a lead’s own has six digits. */
    private readonly leadPin = '2468',
  ) {}

  /** Types on our own keys; the sign comes last, as thumbs do it. */
  async keys(number: string): Promise<void> {
    const field = this.page.getByTestId('reading')
    if (this.quick && (await field.isVisible())) return field.fill(number)
    const isFirst = !(await field.isVisible()) || (await field.inputValue()) === ''
    for (const key of number.replace('-', ''))
      await this.page.getByRole('button', { name: KEY_NAMES[key] ?? key, exact: true }).click()
    if (!isFirst && !number.startsWith('-')) return
    // Where a machine position can only be below zero the minus is there already.
    const isThere = (await field.isVisible()) && (await field.inputValue()).startsWith('-')
    if (number.startsWith('-') !== isThere)
      await this.page.getByRole('button', { name: 'change sign' }).click()
  }

  async next(): Promise<void> {
    await this.page.getByTestId('next').click()
  }

  /** Adds a person, who signs in: the first of an empty product, or by a code that Mira Toller shows as its lead. */
  async introduce(name: string, pin: string, role = 'setter'): Promise<void> {
    await this.page.goto(this.address)
    const stranger = this.page.getByRole('button', { name: 'I am not in this list' })
    const field = this.page.getByTestId('name')
    await expect(stranger.or(field)).toBeVisible()
    if (await stranger.isVisible()) await stranger.click()
    await field.fill(name)
    await this.page.getByTestId('pin').fill(pin)
    const code = this.page.getByTestId('code')
    if (await code.isVisible()) await code.fill(await joinCode(this.address, role, this.leadPin))
    await this.page.getByRole('button', { name: 'Add me' }).click()
    // The PIN is typed once: it opens the door as well.
    await this.seesList()
  }

  /** Signs in by the keys, as everybody does. */
  async signInByKeys(name: string, pin = '2468'): Promise<void> {
    await this.page.goto(this.address)
    await this.page.getByRole('button', { name }).click()
    await this.keys(pin)
    await this.next()
    await this.seesList()
  }

  /** Comes in signed in: what is typed for it is seen where a test is about that. */
  async signIn(name: string, pin = '2468'): Promise<void> {
    await signInAt(this.page.request, this.address, name, pin)
    await this.page.goto(this.address)
    await this.seesList()
  }

  private async seesList(): Promise<void> {
    await expect(this.page.getByRole('heading', { name: 'Set-ups' })).toBeVisible()
  }

  /** Signs out, and sees that it is done. */
  async signOut(): Promise<void> {
    await visit(this.page, `${this.address}/sign-in`)
    await this.page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await expect(this.page.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible()
  }

  /** Reads one step: checks where one is, types, sees what it means, goes on. */
  async read(sentence: RegExp, number: string, means?: string): Promise<void> {
    await expect(this.page.getByRole('heading', { level: 1 })).toHaveText(sentence)
    await this.keys(number)
    if (means !== undefined) await expect(this.page.getByTestId('implied')).toHaveText(means)
    await this.next()
  }

  /** Keys one register in and types what the control shows. */
  async keyIn(register: string, type: string, shown = type): Promise<void> {
    await expect(this.page.getByText(register, { exact: true }).first()).toBeVisible()
    await expect(this.page.getByTestId('to-type')).toHaveText(type)
    await this.look(`key-in-${register}`)
    await this.seesShown(shown, shown === type)
  }

  /** Tells what the control shows: by one press, or its sign and last digits, where it is what it should be, and typed whole otherwise. */
  async seesShown(shown: string, isRight: boolean): Promise<void> {
    const { page } = this
    const that = page.getByTestId('shows-that')
    const other = page.getByTestId('shows-else')
    await expect(that.or(page.getByTestId('reading'))).toBeVisible()
    if (isRight && (await that.isVisible())) return that.click()
    if (await other.isVisible()) {
      if (isRight) return this.signAndDigits(shown)
      await other.click()
    }
    await this.keys(shown.replace('\u2212', '-'))
    await this.next()
  }

  /** The sign first, then the last digits: on our keys, or by the keyboard where there are none. */
  async signAndDigits(shown: string): Promise<void> {
    const { page } = this
    const sign = page.getByRole('button', { name: /^[\u2212-]/.test(shown) ? 'minus' : 'plus' })
    if (await sign.isVisible()) await sign.click()
    await this.keys(shown.replace(/\D/g, '').slice(-(await this.lastDigits())))
  }

  /** How many last digits are asked for, once the sign was pressed. */
  async lastDigits(): Promise<number> {
    const asks = await this.page.getByText(/^Its last \d+ digits/).textContent()
    return Number(/\d+/.exec(asks ?? '')?.[0])
  }

  /**
   * Touches, keys and reads the row in one: types what the step says into the control, then what the row shows, and compares the
   * machine position with what follows from it.
   */
  async captures(sentence: RegExp, type: string, shown: string, stands: string): Promise<void> {
    const { page } = this
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(sentence)
    await expect(page.getByTestId('to-type')).toHaveText(type)
    await this.keys(shown.replace('\u2212', '-'))
    await expect(page.getByTestId('stands')).toHaveText(stands)
    await this.look(`captures-${sentence.source.replace(/\W+/g, '-')}`)
    await this.next()
  }

  /** Sees to a step that reads no number. */
  async seeTo(sentence: RegExp): Promise<void> {
    await expect(this.page.getByRole('heading', { level: 1 })).toHaveText(sentence)
    await this.look(`see-${sentence.source.replace(/\W+/g, '-')}`)
    await this.next()
  }

  /** Home, clean seats, true gauges: what comes before the first reading. */
  async ready(): Promise<void> {
    await this.seeTo(/Home the machine/)
    await this.seeTo(/Clean the seats/)
    await this.seeTo(/Lay out the gauges/)
  }

  /** Types several numbers, each in its own field. */
  async numbers(values: Readonly<Record<string, string>>): Promise<void> {
    for (const [key, value] of Object.entries(values))
      await this.page.getByTestId(`number-${key}`).fill(value)
  }

  /** Sends a tool over zero and says which block passes. */
  async prove(sentence: RegExp, gap: string): Promise<void> {
    await expect(this.page.getByRole('heading', { level: 1 })).toHaveText(sentence)
    await this.look(`send-${sentence.source.replace(/\W+/g, '-')}`)
    const passes = this.page.getByTestId('passes')
    if ((await passes.textContent())?.includes(` ${gap} `)) return passes.click()
    await this.page.getByTestId('not-so').click()
    await this.page.getByRole('radio', { name: 'yes' }).click()
    const both = this.page.getByTestId('spindle-both')
    if (await both.isVisible()) await both.click()
    await this.numbers({ gap })
    await this.look(`prove-${sentence.source.replace(/\W+/g, '-')}`)
    await this.next()
  }

  /** What stands in the spindle, and what the control takes for active. */
  async spindle(holds: string | RegExp, controlSays: string | RegExp): Promise<void> {
    await this.page.getByTestId('holds').click()
    await this.page.getByRole('radio', { name: holds }).click()
    await this.page.getByTestId('controlSays').click()
    await this.page.getByRole('radio', { name: controlSays }).click()
  }

  /** Raises everything, runs in air, takes the lift out. */
  async airCut(lowest: string, margin: string, lift: string): Promise<void> {
    const { page } = this
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Run the program above/)
    // What is known need not be typed: the program's lowest Z, the usual air.
    for (const [key, value] of Object.entries({ lowest, margin })) {
      const field = page.getByTestId(`number-${key}`)
      await expect(field).toBeVisible()
      if (Number(await field.inputValue()) !== Number(value)) await this.numbers({ [key]: value })
    }
    await expect(page.getByTestId('lift')).toHaveText(lift)
    await this.look('air-cut')
    await this.next()
    // Row by row: here it is the external offset alone, which held nothing.
    await this.look('raise')
    await expect(page.getByTestId('to-type')).toHaveText(lift)
    await this.seesShown(lift, true)
    await expect(page.getByTestId('lift-active')).toContainText('LIFT ACTIVE')
    await this.look('lift-active')
    await this.next()
    await this.seesShown(await page.getByTestId('to-type').innerText(), true)
    await expect(page.getByTestId('lift-active')).toBeHidden()
  }

  /** The first part is good; the set-up is released. */
  async release(): Promise<void> {
    await expect(this.page.getByRole('heading', { level: 1 })).toHaveText(/Cut the first part/)
    await this.look('first-part')
    await this.page.getByTestId('first-part-done').click()
    await this.look('release')
    await this.page.getByTestId('record').click()
    await expect(this.page.getByTestId('frozen')).toContainText('Released')
  }

  /** Looks at the tools of a new sheet: those that the shop has in the pockets are still there, where it asks. */
  async sameTools(): Promise<void> {
    const { page } = this
    const asks = page.getByTestId('asks-tools')
    await expect(asks).toBeVisible()
    const all = page.getByTestId('same-tools')
    if (await all.isVisible()) return all.click()
    await asks.getByRole('radio', { name: 'same tool' }).click()
  }

  /** Makes a set-up from a sheet, as one that comes in by the open file, and opens it. */
  async begin(sheet: object): Promise<void> {
    const id = uuid()
    await enterFact(this.page, this.address, ['setup', id], { kind: 'sheet', body: sheet })
    await visit(this.page, `${this.address}/setups/${id}`)
  }

  /** Goes to a step by its key, as the trail and the lists do. */
  async goTo(key: string): Promise<void> {
    await this.leaveFor(`${this.page.url().split('?')[0]}?step=${encodeURIComponent(key)}`)
  }

  /** Opens another page as a person does, who sees a number taken before the next address is typed. */
  async leaveFor(address: string): Promise<void> {
    await this.sent()
    await visit(this.page, address)
  }

  /** Whatever was entered on this device is with the server, which may have been away until now. */
  async sent(): Promise<void> {
    await this.keeps(0)
  }

  /** So many entries are kept on this device and not with the server: who leaves before that has not entered them. */
  async keeps(entries: number): Promise<void> {
    await expect
      .poll(() => this.page.evaluate(countWaiting), { timeout: LONGEST_AWAY_MS })
      .toBe(entries)
  }

  /** Keeps a picture to be looked at, where PINE_LOOK names a folder; the tests do not need them. */
  async look(name: string): Promise<void> {
    const folder = process.env['PINE_LOOK']
    if (folder === undefined) return
    await this.page.waitForTimeout(350)
    await this.page.screenshot({ path: `${folder}/${name}.png` })
  }
}

/** Opens the program of the set-up that is open: on a phone it is in the menu. */
export async function openItsProgram(page: Page): Promise<void> {
  const menu = page.getByTestId('menu')
  const program = page.getByTestId('program')
  await expect(menu.or(program)).toBeVisible()
  if (await menu.isVisible()) await menu.click()
  await program.click()
}

/** How many entries this device holds that are neither with the server nor refused; runs in the page. */
async function countWaiting(): Promise<number> {
  const known = await indexedDB.databases()
  if (!known.some(({ name }) => name === 'pine-compass')) return 0
  return new Promise((resolve, reject) => {
    const opening = indexedDB.open('pine-compass')
    opening.onerror = () => reject(opening.error)
    opening.onsuccess = () => {
      const asking = opening.result.transaction('outbox').objectStore('outbox').getAll()
      asking.onerror = () => reject(asking.error)
      asking.onsuccess = () => {
        opening.result.close()
        const waiting = asking.result.filter(({ refused }) => refused === undefined)
        resolve(waiting.length)
      }
    }
  })
}

/** Signs somebody in through the API; whoever asks by it has the session from then on. */
async function signInAt(
  through: APIRequestContext,
  address: string,
  name: string,
  pin: string,
): Promise<void> {
  const people = (await (await through.get(`${address}/api/people`)).json()) as {
    id: string
    name: string
  }[]
  const personId = people.find((person) => person.name === name)?.id
  const signed = await through.post(`${address}/api/session`, { data: { personId, pin } })
  expect(signed.ok(), await signed.text()).toBe(true)
}

/** A code that lets somebody in, as a lead on another device gets it. */
export async function joinCode(address: string, role: string, pin = '2468'): Promise<string> {
  const elsewhere = await request.newContext()
  await signInAt(elsewhere, address, 'Mira Toller', pin)
  const shown = await elsewhere.post(`${address}/api/join-codes`, { data: { role } })
  expect(shown.status()).toBe(201)
  const { code } = (await shown.json()) as { code: string }
  await elsewhere.dispose()
  return code
}
