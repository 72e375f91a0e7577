/** What is heard and felt in play, as far as the device can and the family wants it. */
import type { Ways } from './store';

export type Cues = Pick<Ways, 'sound' | 'speak' | 'shake'>;

function beep(pitch: number): void {
  if (!('AudioContext' in window)) return;
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  const loudness = audio.createGain();
  tone.frequency.value = pitch;
  loudness.gain.value = 0.15;
  tone.connect(loudness).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.18);
  tone.onended = () => void audio.close();
}

interface Saying {
  readonly rate?: number;
  /** True while it is heard; a device without a voice never says so. */
  readonly onHeard?: (heard: boolean) => void;
}

/** Says words aloud; what was being said stops. */
export function say(words: string, tag: string, { rate = 0.9, onHeard }: Saying = {}): void {
  if (!('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  const speech = new SpeechSynthesisUtterance(words);
  speech.lang = tag;
  speech.rate = rate;
  speech.onstart = () => onHeard?.(true);
  speech.onend = () => onHeard?.(false);
  speech.onerror = () => onHeard?.(false);
  window.speechSynthesis.speak(speech);
}

export function sayNothing(): void {
  window.speechSynthesis?.cancel();
}

/** One cue in all the ways that are switched on. */
export function cue(
  { sound, speak, shake }: Cues,
  { pitch, words, shakeMs }: { pitch: number; words: string; shakeMs: number | number[] },
  tag: string,
): void {
  if (sound) beep(pitch);
  if (speak) say(words, tag);
  if (shake) navigator.vibrate?.(shakeMs);
}
