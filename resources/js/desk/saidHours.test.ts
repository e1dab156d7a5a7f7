import { expect, it } from 'vitest'
import { saidHours } from './saidHours'

type Piece = Parameters<typeof saidHours>[0][number]

function piece(days: Piece['days'], from: string | null, to: string | null, span: Piece['span'] = null): Piece {
  return { item: from ?? 'span', days, from, to, span }
}

// Each is read back by SpokenHours as it was: tests/Core/Hours/SpokenHoursTest.php holds the same sentences.
it.each([
  [[piece(['mon', 'tue', 'wed', 'thu', 'fri'], '08:00', '17:00')], 'Mon-Fri 08:00-17:00'],
  [
    [piece(['mon', 'tue', 'wed'], '08:00', '12:30'), piece(['mon', 'tue', 'wed'], '13:30', '17:00')],
    'Mon-Wed 08:00-12:30; Mon-Wed 13:30-17:00',
  ],
  [[piece(['sun', 'mon', 'wed'], '18:00', '06:00')], 'Mon, Wed, Sun 18:00-06:00'],
  [[piece(null, null, null, ['mon 08:00', 'fri 17:00'])], ''],
  [[], ''],
])('says a week as the reader of hours reads it', (weekly, said) => {
  expect(saidHours(weekly)).toBe(said)
})
