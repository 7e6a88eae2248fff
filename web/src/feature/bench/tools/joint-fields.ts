import { midSentence, say } from '#contract/wording/say.ts';
import { washersFor } from '#core/bench/sizes.ts';
import { HEAD_STANDARDS } from '#core/fastener/head-dimension.ts';
import { parseThread } from '#core/fastener/thread.ts';
import { FINISHES, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { TIGHTENING_METHODS, type TighteningMethod } from '#core/tightening/tightening-method.ts';
import type { Field } from '../bench-field.ts';
import { classOptions } from '../bench-reader.ts';

export const threadField: Field = { key: 'thread', label: say('Thread'), initial: 'M10', kind: 'text' };
export const classField: Field = {
  key: 'class',
  label: say('Class or grade'),
  initial: '8.8',
  kind: 'choice',
  options: (values) => classOptions(values, [threadField]),
};

const finishOptions = FINISHES.map(({ finish, label }) => ({ value: finish, label }));
export const finishField = (key: string, label: string, initial: ThreadFinish): Field => ({
  key,
  label,
  initial,
  kind: 'choice',
  options: finishOptions,
});

export const headField: Field = {
  key: 'head',
  label: say('Head'),
  initial: '',
  kind: 'choice',
  assumption: true,
  options: [
    { value: '', label: say('Hexagon, usual') },
    ...HEAD_STANDARDS.map((standard) => ({ value: standard, label: standard })),
  ],
};
export const holeField: Field = {
  key: 'hole',
  label: say('Hole under the head'),
  initial: '',
  kind: 'number',
  unit: 'mm',
  assumption: true,
  hint: say('medium clearance hole of ISO 273 when empty'),
};

export const washerField: Field = {
  key: 'washer',
  label: say('Washer under the head'),
  initial: '',
  kind: 'choice',
  options: (values) => {
    const thread = parseThread(values.thread ?? threadField.initial);
    const listed = thread.ok ? washersFor(thread.value.thread) : [];
    return [
      { value: '', label: say('None') },
      ...listed.map(({ standard, washer }) => ({
        value: standard,
        label: `${standard}, ${Number(washer.outsideMm.toFixed(1))} × ${Number(washer.thicknessMm.toFixed(1))} mm`,
      })),
    ];
  },
};
export const widthField: Field = {
  key: 'width',
  label: say('Part around the bolt'),
  initial: '',
  kind: 'number',
  unit: 'mm',
  assumption: true,
  hint: say('wide enough when empty'),
};

export const yesNo = [
  { value: 'no', label: say('No') },
  { value: 'yes', label: say('Yes') },
];

export const PARTS = [
  { value: 'steel', label: say('Steel') },
  { value: 'stainless', label: say('Stainless') },
  { value: 'castIron', label: say('Cast iron') },
  { value: 'aluminium', label: say('Aluminium') },
  { value: 'magnesium', label: say('Magnesium') },
];

export const METHOD_TEXT: Record<TighteningMethod, string> = {
  byFeel: say('By feel'),
  impact: say('Impact wrench'),
  click: say('Click wrench'),
  digital: say('Digital wrench'),
  torqueAngle: say('Torque and angle'),
  yieldControlled: say('To yield'),
};
export const METHODS = TIGHTENING_METHODS.map((value) => ({ value, label: METHOD_TEXT[value] }));

/** What the bolt is screwed into. */
export const intoField: Field = {
  key: 'into',
  label: say('Held by'),
  initial: 'nut',
  kind: 'choice',
  options: [
    { value: 'nut', label: say('A nut') },
    ...PARTS.map(({ value, label }) => ({ value, label: say('Thread in {label}', { label: midSentence(label) }) })),
  ],
};

export const VDI = 'VDI 2230-1:2015';
