/** A short dry click and a buzz: a reading was taken. Silent where the browser has neither. */
export function click(): void {
  navigator.vibrate?.(60);
  tones([{ at: 0, pitchHz: 2100, seconds: 0.03 }]);
}

/** Two short tones and a buzz: something that was waited for is over. Silent where the browser has neither. */
export function chime(): void {
  navigator.vibrate?.([200, 100, 200]);
  tones([
    { at: 0, pitchHz: 880, seconds: 0.22 },
    { at: 0.25, pitchHz: 1175, seconds: 0.22 },
  ]);
}

/** Two low tones and a long buzz: what was pulled is not as it should be. Silent where the browser has neither. */
export function warn(): void {
  navigator.vibrate?.([300, 80, 300]);
  tones([
    { at: 0, pitchHz: 240, seconds: 0.25 },
    { at: 0.3, pitchHz: 200, seconds: 0.35 },
  ]);
}

interface Tone {
  /** When it begins, s. */
  at: number;
  pitchHz: number;
  seconds: number;
}

function tones(list: readonly Tone[]): void {
  if (typeof AudioContext === 'undefined') return;
  const audio = new AudioContext();
  for (const { at, pitchHz, seconds } of list) {
    const tone = audio.createOscillator();
    const loudness = audio.createGain();
    tone.frequency.value = pitchHz;
    loudness.gain.setValueAtTime(0.2, audio.currentTime + at);
    loudness.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + seconds);
    tone.connect(loudness).connect(audio.destination);
    tone.start(audio.currentTime + at);
    tone.stop(audio.currentTime + at + seconds + 0.02);
  }
  const longest = Math.max(...list.map(({ at, seconds }) => at + seconds));
  setTimeout(() => void audio.close(), (longest + 0.3) * 1000);
}
