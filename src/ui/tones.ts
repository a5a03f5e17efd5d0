import { type MarkName } from './parts/VerdictMark';

interface Note {
  /** Hertz, the time it begins and for how long, in seconds. */
  readonly pitch: number;
  readonly at: number;
  readonly lasts: number;
}

/** One short note for what is right; what is wrong says which way by the way it steps. */
const tones: Readonly<Partial<Record<MarkName, readonly Note[]>>> = {
  within: [{ pitch: 660, at: 0, lasts: 0.09 }],
  high: [
    { pitch: 520, at: 0, lasts: 0.11 },
    { pitch: 780, at: 0.13, lasts: 0.16 },
  ],
  low: [
    { pitch: 520, at: 0, lasts: 0.11 },
    { pitch: 347, at: 0.13, lasts: 0.16 },
  ],
  dead: [{ pitch: 150, at: 0, lasts: 0.42 }],
  odd: [0, 0.11, 0.22].map((at) => ({ pitch: 440, at, lasts: 0.07 })),
};

const loudness = 0.12;
let audio: AudioContext | undefined;

/** Sounds a verdict, for eyes that are on the pin. */
export function sound(mark: MarkName): void {
  const notes = tones[mark];
  if (!notes || typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  for (const { pitch, at, lasts } of notes) {
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    const from = audio.currentTime + at;
    oscillator.frequency.value = pitch;
    gain.gain.setValueAtTime(loudness, from);
    gain.gain.exponentialRampToValueAtTime(0.001, from + lasts);
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(from);
    oscillator.stop(from + lasts);
  }
}
