import { useLocalStorage } from '@vueuse/core'

export type Tone = 'in-band' | 'first-drop' | 'stop'

/** Two short notes each, in Hz: rising where something was reached, a repeated high one for "stop now". */
const NOTES: Record<Tone, readonly [number, number]> = {
  'in-band': [660, 880],
  'first-drop': [520, 520],
  stop: [990, 990],
}
const NOTE_S = 0.11
const LOUDNESS = 0.25

let context: AudioContext | null = null

/** Short sounds beside what is shown; silent where this device was muted, or has no sound. */
export function useTones() {
  const isMuted = useLocalStorage('calm-apron.muted', false)

  function play(tone: Tone): void {
    if (isMuted.value || typeof AudioContext === 'undefined') return
    context ??= new AudioContext()
    const { currentTime, destination } = context
    NOTES[tone].forEach((hz, at) => {
      if (context === null) return
      const [oscillator, gain] = [context.createOscillator(), context.createGain()]
      oscillator.frequency.value = hz
      gain.gain.value = LOUDNESS
      oscillator.connect(gain).connect(destination)
      const from = currentTime + at * NOTE_S * 1.4
      oscillator.start(from)
      oscillator.stop(from + NOTE_S)
    })
  }

  return { isMuted, play }
}
