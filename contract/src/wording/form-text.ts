import type { PieceForm } from '#core/kit/piece-kind.ts';
import { inLanguage } from './say.ts';

const FORM_TEXT: Record<PieceForm, string> = inLanguage({
  uBolt: 'U-bolt',
  banjo: 'banjo bolt',
  barrel: 'barrel nut',
  weld: 'weld nut',
  clip: 'clip-on nut',
  rivet: 'rivet nut',
  plate: 'plate',
  cap: 'closed nut',
  lock: 'split lock washer',
  star: 'toothed washer',
  conical: 'conical spring washer',
  fender: 'wide washer',
  square: 'square washer',
  seal: 'sealing washer',
  shim: 'shim',
  split: 'split pin',
  rClip: 'R-clip',
  dowel: 'dowel pin',
  clevis: 'clevis pin',
  roll: 'roll pin',
  circlipOutside: 'circlip, on a shaft',
  circlipInside: 'circlip, in a bore',
  pushIn: 'push-in fastener',
  pClip: 'P-clip',
  tie: 'cable tie',
  blindRivet: 'blind rivet',
  grommet: 'grommet',
  coil: 'wire thread insert',
  slideIn: 'slide-in nut',
  angle: 'angle bracket',
  channel: 'U-bracket',
  arm: 'arm',
  bar: 'bar',
  pipe: 'straight pipe',
  bentPipe: 'bent pipe',
  elbow: 'hose elbow',
  hose: 'hose',
  block: 'block',
  coilSpring: 'coil spring',
  leafSpring: 'leaf',
  ring: 'ring',
  key: 'key',
  collar: 'stud with collar',
  spacer: 'spacer',
  sleeve: 'sleeve',
  bush: 'bush',
  worm: 'worm-drive clamp',
  tBolt: 'T-bolt clamp',
  vBand: 'V-band clamp',
  springBand: 'spring clamp',
});

/** The same, where its name does not say it already. */
export const formBeside = (name: string, form: PieceForm | undefined): string | undefined =>
  form === undefined || name.toLowerCase().includes(FORM_TEXT[form].toLowerCase().split(',')[0] ?? '')
    ? undefined
    : FORM_TEXT[form];

/** How a piece is made, as it is spoken of; one without a form is the plain one. */
export const formText = (form: PieceForm | undefined): string => (form === undefined ? 'plain' : FORM_TEXT[form]);
