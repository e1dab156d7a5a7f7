/** What a caller gets, as it is drawn and said everywhere. */
export type Gets = 'person' | 'menu' | 'queue' | 'mailbox' | 'outside' | 'released' | 'lost'

export const GETS: Record<Gets, string> = {
  person: 'a person answers',
  menu: 'a menu is listening',
  queue: 'a queue',
  mailbox: 'a mailbox',
  outside: 'an outside number',
  released: 'announcement and release',
  lost: 'dead end or loop',
}

const OUTCOMES: Record<string, string> = {
  answered: 'answers',
  messageIn: 'takes a message',
  messageRefused: 'is full',
  outsideMailbox: 'answers with its own mailbox',
  announcementAndRelease: 'and the call ends',
  released: 'the call ends',
  busy: 'busy tone',
  notDelivered: 'is not delivered',
  oldCarrier: 'still with the old carrier',
  notInService: 'not in service',
  refused: 'no way out',
  lineRings: 'rings',
  pickedUp: 'call taken up',
  parked: 'parked there',
  paged: 'heard there',
  signedIn: 'signed in there',
  inConference: 'in the conference',
  deadEnd: 'dead end',
  loop: 'goes round for ever',
  overrun: 'transferred too often',
}

export function outcomeInWords(outcome: string): string {
  return OUTCOMES[outcome] ?? outcome
}
