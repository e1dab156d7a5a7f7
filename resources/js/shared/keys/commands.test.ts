import { expect, it } from 'vitest'
import { digitsOf, matching, type Command } from './commands'

const command = (label: string, kind: string): Command => ({ label, kind, run: () => undefined })

const MAIN = command('+1 902 555 0110 Coldharbour Boatyard', 'main number')
const BEAUSEJOUR = command('204 Odile Beauséjour', 'user')
const TOWN = command('Puffin Cove Hotel', 'customer · Port Merrow')
const ALL = [MAIN, BEAUSEJOUR, TOWN]

it('finds a number however it is written', () => {
  for (const typed of ['9025550110', '902 555 0110', '(902) 555-0110', '+1.902.555.0110', '5550110'])
    expect(matching(ALL, typed)).toEqual([MAIN])
})

it('finds words without their accents, and a town', () => {
  expect([matching(ALL, 'beausejour'), matching(ALL, 'merrow')]).toEqual([[BEAUSEJOUR], [TOWN]])
})

it('takes digits for a number only where nothing else is typed', () => {
  expect([digitsOf('902 555-0110'), digitsOf('204 odile'), digitsOf('')]).toEqual(['9025550110', '', ''])
})

it('puts what begins so before what only has it', () => {
  const hotel = command('Hotel desk', 'group')
  expect(matching([TOWN, hotel], 'hotel')).toEqual([hotel, TOWN])
})
