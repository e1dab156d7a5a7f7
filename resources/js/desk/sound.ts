/** Sound in the browser: what a microphone heard, as a WAV file of sixteen bits in one channel. */
export function encodeWav(channels: Float32Array[], rate: number): ArrayBuffer {
  const frames = channels[0]?.length ?? 0
  const file = new ArrayBuffer(44 + frames * 2)
  const view = new DataView(file)
  const text = (at: number, said: string): void => {
    for (let i = 0; i < said.length; i++) view.setUint8(at + i, said.charCodeAt(i))
  }
  text(0, 'RIFF')
  view.setUint32(4, 36 + frames * 2, true)
  text(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, 1, true)
  view.setUint16(22, 1, true)
  view.setUint32(24, rate, true)
  view.setUint32(28, rate * 2, true)
  view.setUint16(32, 2, true)
  view.setUint16(34, 16, true)
  text(36, 'data')
  view.setUint32(40, frames * 2, true)
  for (let frame = 0; frame < frames; frame++) {
    const mixed = channels.reduce((sum, channel) => sum + (channel[frame] ?? 0), 0) / channels.length
    view.setInt16(44 + frame * 2, Math.round(Math.max(-1, Math.min(1, mixed)) * 32767), true)
  }
  return file
}

export interface Take {
  stop: () => Promise<ArrayBuffer>
  drop: () => void
}

/** Begins to record from the microphone; the browser asks for leave first. */
export async function beginTake(): Promise<Take> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { channelCount: 1, echoCancellation: false, noiseSuppression: true },
  })
  const recorder = new MediaRecorder(stream)
  const pieces: Blob[] = []
  recorder.addEventListener('dataavailable', (event) => pieces.push(event.data))
  const ended = new Promise<void>((resolve) => {
    recorder.addEventListener('stop', () => {
      for (const track of stream.getTracks()) track.stop()
      resolve()
    })
  })
  recorder.start()
  return {
    drop: () => {
      recorder.stop()
    },
    stop: async () => {
      recorder.stop()
      await ended
      const context = new AudioContext()
      try {
        const heard = await context.decodeAudioData(await new Blob(pieces).arrayBuffer())
        return encodeWav(
          Array.from({ length: heard.numberOfChannels }, (_, channel) => heard.getChannelData(channel)),
          heard.sampleRate,
        )
      } finally {
        await context.close()
      }
    },
  }
}
