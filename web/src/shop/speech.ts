import { language } from '#contract/wording/say.ts';

/** Says a text aloud. The browser's own voice; in tests one that writes down what it was told. */
export interface SpeechEngine {
  say(text: string): void;
  hush(): void;
}

/** The voice that this device has; silent where it has none. No voice of a network is asked for by name. */
const ownVoice: SpeechEngine = {
  say(text) {
    if (typeof speechSynthesis === 'undefined') return;
    // What was still being said is of the station before.
    speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(text);
    said.lang = language();
    // A little slower than talk: it is heard across a bay.
    said.rate = 0.95;
    speechSynthesis.speak(said);
  },
  hush() {
    if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
  },
};

let engine: SpeechEngine = ownVoice;

/** Another voice in the place of the browser's; its own again where none is given. */
export const speakWith = (other: SpeechEngine = ownVoice): void => {
  engine = other;
};
export const speak = (text: string): void => engine.say(text);
export const hush = (): void => engine.hush();
/** Whether this device can speak at all. */
export const hasVoice = (): boolean => typeof speechSynthesis !== 'undefined';
