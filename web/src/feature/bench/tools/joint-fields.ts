import { washersFor } from '#core/bench/sizes.ts';
import { HEAD_STANDARDS } from '#core/fastener/head-dimension.ts';
import { parseThread } from '#core/fastener/thread.ts';
import { FINISHES, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { TIGHTENING_METHODS, type TighteningMethod } from '#core/tightening/tightening-method.ts';
import type { Field } from '../bench-field.ts';
import { classOptions } from '../bench-reader.ts';

export const threadField: Field = { key: 'thread', label: 'Thread', initial: 'M10', kind: 'text' };
export const classField: Field = {
  key: 'class',
  label: 'Class or grade',
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
  label: 'Head',
  initial: '',
  kind: 'choice',
  assumption: true,
  options: [
    { value: '', label: 'Hexagon, usual' },
    ...HEAD_STANDARDS.map((standard) => ({ value: standard, label: standard })),
  ],
};
export const holeField: Field = {
  key: 'hole',
  label: 'Hole under the head',
  initial: '',
  kind: 'number',
  unit: 'mm',
  assumption: true,
  hint: 'medium clearance hole of ISO 273 when empty',
};

export const washerField: Field = {
  key: 'washer',
  label: 'Washer under the head',
  initial: '',
  kind: 'choice',
  options: (values) => {
    const thread = parseThread(values.thread ?? threadField.initial);
    const listed = thread.ok ? washersFor(thread.value.thread) : [];
    return [
      { value: '', label: 'None' },
      ...listed.map(({ standard, washer }) => ({
        value: standard,
        label: `${standard}, ${Number(washer.outsideMm.toFixed(1))} × ${Number(washer.thicknessMm.toFixed(1))} mm`,
      })),
    ];
  },
};
export const widthField: Field = {
  key: 'width',
  label: 'Part around the bolt',
  initial: '',
  kind: 'number',
  unit: 'mm',
  assumption: true,
  hint: 'wide enough when empty',
};

export const yesNo = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
];

export const PARTS = [
  { value: 'steel', label: 'Steel' },
  { value: 'stainless', label: 'Stainless' },
  { value: 'castIron', label: 'Cast iron' },
  { value: 'aluminium', label: 'Aluminium' },
  { value: 'magnesium', label: 'Magnesium' },
];

export const METHOD_TEXT: Record<TighteningMethod, string> = {
  byFeel: 'By feel',
  impact: 'Impact wrench',
  click: 'Click wrench',
  digital: 'Digital wrench',
  torqueAngle: 'Torque and angle',
  yieldControlled: 'To yield',
};
export const METHODS = TIGHTENING_METHODS.map((value) => ({ value, label: METHOD_TEXT[value] }));

/** What the bolt is screwed into. */
export const intoField: Field = {
  key: 'into',
  label: 'Held by',
  initial: 'nut',
  kind: 'choice',
  options: [
    { value: 'nut', label: 'A nut' },
    ...PARTS.map(({ value, label }) => ({ value, label: `Thread in ${label.toLowerCase()}` })),
  ],
};

export const VDI = 'VDI 2230-1:2015';
