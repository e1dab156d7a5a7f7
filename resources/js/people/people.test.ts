import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, fakeServer, open, Refused, SESSION, settle, LENA } from '@/testing'
import JoinView from './JoinView.vue'
import LeaveSheet from './LeaveSheet.vue'
import PeopleView from './PeopleView.vue'

const ME = { ...SESSION, technician: { ...LENA, signIn: 'lena@saltmarsh.example' } }
const HOLDS = { from: null, hasRunOut: false, holds: true, inEmergency: false }
const EVERY = { everyCustomer: true, customer: null, customerName: null, purpose: null, until: null }
const PEOPLE = {
  people: [
    {
      id: 'p1',
      name: 'Lena Kestrel',
      signIn: 'lena@saltmarsh.example',
      lead: true,
      secondFactor: true,
      grants: [{ id: 'g1', ability: 'push', role: 'pusher', ...EVERY, ...HOLDS }],
    },
    {
      id: 'p2',
      name: 'Sol Ormerod',
      signIn: 'sol@saltmarsh.example',
      lead: false,
      secondFactor: false,
      grants: [
        {
          id: 'g2',
          ability: 'edit',
          ...EVERY,
          everyCustomer: false,
          customer: 'inlet',
          customerName: 'Inlet Property Care',
          until: '2026-11-30',
          ...HOLDS,
          holds: false,
          hasRunOut: true,
        },
      ],
    },
    { id: 'p3', name: 'Ada Wren', signIn: 'ada@saltmarsh.example', lead: false, secondFactor: false, grants: [] },
  ],
  invitations: [
    {
      id: 'i1',
      signIn: 'maud@saltmarsh.example',
      ability: 'read',
      ...EVERY,
      invitedBy: 'Lena Kestrel',
      sentAt: '2026-11-28T18:05:00Z',
      openUntil: '2026-12-05T18:05:00Z',
      isOpen: true,
    },
  ],
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function people(handlers: Record<string, unknown> = {}): Promise<ReturnType<typeof fakeServer>> {
  const server = fakeServer({
    'GET /session': ME,
    'GET /people': PEOPLE,
    'GET /customers': { customers: [] },
    ...handlers,
  })
  page = (await open(PeopleView, '/people')).page
  await settle()
  return server
}

async function chooseEveryCustomer(): Promise<void> {
  const which = page.findAllComponents({ name: 'ElSelect' })[1] as unknown as VueWrapper
  which.vm.$emit('update:modelValue', '*')
  await settle()
}

async function press(label: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === label)
    ?.trigger('click')
  await settle()
}

it('shows what each may do, who may do nothing, and offers nobody to take away their own', async () => {
  await people()

  const rows = page.findAll('tbody tr').map((row) => row.text())
  expect(rows[0]).toContain('every customer')
  expect(rows[0]).not.toContain('Take away')
  expect(rows[1]).toContain('Mon 30 Nov 2026 · run out')
  expect(rows[2]).toContain('signs in to an empty roster')
  expect(rows[3]).toContain('maud@saltmarsh.example')
})

it('gives somebody of the staff a grant and invites anybody else', async () => {
  const server = await people({
    'POST /people/grants': (body: unknown) => ({
      isInvited: (body as { signIn: string }).signIn !== 'sol@saltmarsh.example',
    }),
  })
  const submit = (): string => page.get('button[type=submit]').text()

  await page.get('input[name=signIn]').setValue('Sol@saltmarsh.example')
  expect(submit()).toBe('Give it')
  await page.get('input[name=signIn]').setValue('new@saltmarsh.example')
  expect(submit()).toBe('Invite')
  await page.get('input[name=until]').setValue('2026-12-31')
  expect(page.get('button[type=submit]').attributes('disabled')).toBeDefined()
  await chooseEveryCustomer()
  expect(page.get('button[type=submit]').attributes('disabled')).toBeUndefined()
  await page.get('form').trigger('submit')
  await settle()

  expect(server.asked.find((each) => each.call === 'POST /people/grants')?.body).toEqual({
    signIn: 'new@saltmarsh.example',
    everyCustomer: true,
    ability: 'edit',
    from: null,
    until: '2026-12-31',
    purpose: null,
  })
  expect(page.get('[role=status]').text()).toBe('An invitation went to new@saltmarsh.example.')
  expect((page.get('input[name=signIn]').element as HTMLInputElement).value).toBe('')
})

it('keeps what was typed where it cannot be used', async () => {
  await people({
    'POST /people/grants': new Refused(422, { errors: [{ detail: 'This day is past.', pointer: '/until' }] }),
  })
  await page.get('input[name=signIn]').setValue('new@saltmarsh.example')
  await page.get('input[name=until]').setValue('2026-01-01')
  await page.get('form').trigger('submit')
  await settle()

  expect(page.get('[role=alert]').text()).toBe('This day is past.')
  expect((page.get('input[name=until]').element as HTMLInputElement).value).toBe('Thu 1 Jan 2026')
})

it('takes away, sends again and takes back', async () => {
  const server = await people({
    'DELETE /people/grants/g2': null,
    'POST /people/invitations/i1/send': null,
    'DELETE /people/invitations/i1': null,
  })
  for (const each of ['Take away', 'Send again', 'Take back']) await press(each)

  expect(server.asked.map((each) => each.call).filter((call) => call.includes('/g') || call.includes('/i1'))).toEqual([
    'DELETE /people/grants/g2',
    'POST /people/invitations/i1/send',
    'DELETE /people/invitations/i1',
  ])
})

it('switches somebody off after a look at what they leave, and hands it on in the same act', async () => {
  const server = await people({
    'GET /people/p2/leaves': { customers: ['Inlet Property Care'], findings: 2, grants: 1, isNightly: true },
    'DELETE /people/p2': null,
  })
  const menu = page.findAllComponents({ name: 'ElDropdown' })[1] as unknown as VueWrapper
  menu.vm.$emit('command', 'off')
  await settle()
  const sheet = document.querySelector('.el-dialog')?.textContent ?? ''
  for (const left of ['1 customer: Inlet Property Care', '2 findings', '1 grant', 'audited by night in their name'])
    expect(sheet).toContain(left)
  const heir = page.getComponent(LeaveSheet).getComponent({ name: 'ElSelect' }) as unknown as VueWrapper
  heir.vm.$emit('update:modelValue', 'p3')
  await settle()
  const go = [...document.querySelectorAll<HTMLButtonElement>('.el-dialog button')]
  go.find((each) => each.textContent.trim() === 'Switch off')?.click()
  await settle()

  expect(server.asked.find((each) => each.call === 'DELETE /people/p2')?.body).toEqual({ heir: 'p3' })
  expect(page.get('[role=status]').text()).toContain('Sol Ormerod is switched off.')
})

it('makes a lead, and leaves the last one be', async () => {
  const server = await people({ 'PUT /people/p3/lead': null })
  const menus = page.findAllComponents({ name: 'ElDropdown' }) as unknown as VueWrapper[]
  menus[2]?.vm.$emit('command', 'lead')
  await settle()

  expect(server.asked.find((each) => each.call === 'PUT /people/p3/lead')?.body).toEqual({ lead: true })
  expect(page.get('[role=status]').text()).toContain('Ada Wren is a lead now.')
})

it('lets somebody join who has the whole code, and signs them in', async () => {
  const server = fakeServer({
    'GET /session': { ...SESSION, technician: null },
    'POST /joining/look': {
      signIn: 'maud@saltmarsh.example',
      customer: 'Inlet Property Care',
      ability: 'edit',
      invitedBy: 'Lena Kestrel',
      until: '2026-12-31',
    },
    'POST /joining': null,
    'POST /session': SESSION,
  })
  const opened = await open(JoinView, '/join#the-code')
  page = opened.page
  const replace = vi.spyOn(opened.router, 'replace')
  await settle()
  expect(page.text()).toContain('Lena Kestrel asks you to read and edit for Inlet Property Care, until 2026-12-31')

  await page.get('input[name=name]').setValue('Maud Ferrier')
  await page.get('input[name=password]').setValue('four words that are mine')
  await page.get('form').trigger('submit')
  await settle()

  expect(server.asked.find((each) => each.call === 'POST /joining')?.body).toEqual({
    code: 'the-code',
    name: 'Maud Ferrier',
    password: 'four words that are mine',
  })
  expect(replace).toHaveBeenCalledWith('/second-factor')
})

it('says that an invitation is closed, and asks for nothing', async () => {
  fakeServer({
    'GET /session': { ...SESSION, technician: null },
    'POST /joining/look': new Refused(410, { detail: 'This invitation is not open any more.' }),
  })
  page = (await open(JoinView, '/join#old')).page
  await settle()

  expect(page.get('[role=alert]').text()).toBe('This invitation is not open any more.')
  expect(page.find('form').exists()).toBe(false)
})
