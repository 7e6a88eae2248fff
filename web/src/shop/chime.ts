/** Two short tones and a buzz: something that was waited for is over. Silent where the browser has neither. */
export function chime(): void {
  navigator.vibrate?.([200, 100, 200]);
  if (typeof AudioContext === 'undefined') return;
  const audio = new AudioContext();
  for (const [at, pitchHz] of [
    [0, 880],
    [0.25, 1175],
  ] as const) {
    const tone = audio.createOscillator();
    const loudness = audio.createGain();
    tone.frequency.value = pitchHz;
    loudness.gain.setValueAtTime(0.2, audio.currentTime + at);
    loudness.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.22);
    tone.connect(loudness).connect(audio.destination);
    tone.start(audio.currentTime + at);
    tone.stop(audio.currentTime + at + 0.24);
  }
  setTimeout(() => void audio.close(), 800);
}
