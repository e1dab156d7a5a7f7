import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { close, Refused, settle } from '@/testing'
import PromptPane from './chapters/PromptPane.vue'
import { encodeWav } from './sound'
import { object, openPart } from './testing'

const PROMPT = object('prompt:hello', {
  name: 'Hello',
  script: 'Thank you for calling Inlet today.',
  language: 'en',
  audio: null,
  standIn: false,
})
const MENU = object('menu:day', { name: 'Day menu' }, { refersTo: ['prompt:hello'] })
const BASE = '/customers/inlet/prompts/hello/recordings'
const RECORDING = {
  no: 1,
  origin: 'studio',
  seconds: 2.4,
  peakDb: -3,
  waveform: [10, 80, 20],
  cameAs: 'G.711 mu-law, 8000 Hz, mono',
  remarks: [],
  sha256: 'a',
  isOfThisScript: true,
  isUsed: true,
  by: 'Lena Kestrel',
  at: '2026-12-01T18:00:00Z',
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function pane(
  handlers: Record<string, unknown> = {},
  prompt = PROMPT,
): Promise<Awaited<ReturnType<typeof openPart>>> {
  const opened = await openPart(
    PromptPane,
    [prompt, MENU],
    { [`GET ${BASE}`]: { recordings: [] }, ...handlers },
    { props: { prompt } },
  )
  page = opened.page
  await settle()
  return opened
}

async function press(label: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === label)
    ?.trigger('click')
  await settle()
}

describe('a prompt', () => {
  it('says how long it takes, where it is heard, and that a stand-in speaks it', async () => {
    await pane()
    expect(page.text()).toContain('3 s as spoken at 150 words a minute')
    expect(page.text()).toContain('heard at Day menu')
    close(page)

    await pane({}, object('prompt:hello', { ...PROMPT.fields, audio: { seconds: 2.36, peakDb: -3 }, standIn: true }))
    expect(page.text()).toContain('2.4 s, -3 dB at its loudest')
    expect(page.text()).toContain('spoken by a stand-in voice')
  })

  it('has the script spoken, and nothing where there is none', async () => {
    const { server } = await pane({ [`POST ${BASE}/speech`]: { recordings: [RECORDING] } })
    await press('Have it spoken for now')
    expect(server.asked.some((each) => each.call === `POST ${BASE}/speech`)).toBe(true)
    close(page)

    await pane({}, object('prompt:hello', { ...PROMPT.fields, script: null }))
    expect(
      page
        .findAll('button')
        .find((each) => each.text() === 'Have it spoken for now')
        ?.attributes('disabled'),
    ).toBeDefined()
  })

  it('shows every version with what a listener would mind, and uses an earlier one again', async () => {
    const { server } = await pane({
      [`GET ${BASE}`]: {
        recordings: [
          { ...RECORDING, no: 2, origin: 'upload', remarks: ['crackles: it is too loud in 3 places'] },
          { ...RECORDING, isUsed: false, isOfThisScript: false },
        ],
      },
      [`POST ${BASE}/1/use`]: { recordings: [] },
    })
    const rows = page.findAll('[data-testid=recordings] tbody tr').map((row) => row.text())
    expect(rows[0]).toContain('crackles: it is too loud in 3 places')
    expect(rows[0]).toContain('in the book')
    expect(rows[1]).toContain('the script was another then')

    await press('use it')
    expect(server.asked.some((each) => each.call === `POST ${BASE}/1/use`)).toBe(true)
  })

  it('says why a file was refused', async () => {
    await pane({ [`POST ${BASE}`]: new Refused(422, { detail: 'This is a picture (PNG). Save it as WAV.' }) })
    const file = new File(['x'], 'hello.wav', { type: 'audio/wav' })
    Object.defineProperty(page.get('input[type=file]').element, 'files', { value: [file] })
    await page.get('input[type=file]').trigger('change')
    await settle()

    expect(page.get('[role=alert]').text()).toBe('This is a picture (PNG). Save it as WAV.')
  })

  it('says so where the browser has no microphone to give', async () => {
    Object.defineProperty(navigator, 'mediaDevices', {
      configurable: true,
      value: { getUserMedia: () => Promise.reject(new Error('denied')) },
    })
    await pane()
    await press('Record it here')

    expect(page.get('[role=alert]').text()).toContain('leave to use the microphone')
  })
})

it('writes what a microphone heard as sixteen bits in one channel, cut off at full scale', () => {
  const view = new DataView(encodeWav([Float32Array.from([0, 0.5, 2]), Float32Array.from([0, 0.5, 2])], 48000))
  const samples = [0, 1, 2].map((place) => view.getInt16(44 + place * 2, true))

  expect([view.byteLength, view.getUint32(24, true), view.getUint16(22, true)]).toEqual([50, 48000, 1])
  expect(samples).toEqual([0, 16384, 32767])
})
