import { type LengthUnit } from '@pine/core/length'
import { spokenNumber } from '@pine/core/words'

/** Whether this device can speak. The voice is its own: nothing leaves it. */
export const canSpeak = (): boolean => typeof window !== 'undefined' && 'speechSynthesis' in window

/** Reads a number out digit by digit; a second tap begins again instead of speaking twice. */
export function speakNumber(text: string, unit: LengthUnit): void {
  if (!canSpeak()) return
  window.speechSynthesis.cancel()
  const utterance = new SpeechSynthesisUtterance(spokenNumber(text, unit))
  utterance.lang = 'en'
  utterance.rate = 0.85
  window.speechSynthesis.speak(utterance)
}
