import type { KitDocument } from '#core/kit/kit-document.ts';
import { useEditor, useKit } from './editor-store.ts';
import { FieldGrid, type RowField } from './RowList.tsx';

const FIELDS: ReadonlyArray<RowField<KitDocument>> = [
  { field: 'title', label: 'Title', kind: 'words', missing: 'Give it a title.' },
  { field: 'maker', label: 'Maker', kind: 'words', missing: 'Give it a maker.' },
  {
    field: 'statedMinutes',
    label: 'Stated time, minutes',
    kind: 'number',
    least: Number.MIN_VALUE,
    most: 10_000,
    optional: true,
    refused: 'Up to 10,000.',
  },
  { field: 'difficulty', label: 'Difficulty, as the sheet says', kind: 'words', optional: true },
  {
    field: 'powerTools',
    label: 'Power tools',
    kind: 'choice',
    options: [
      ['', 'not said: run down only'],
      ['runDownOnly', 'run down only'],
      ['never', 'never'],
      ['free', 'freely, torque after'],
    ],
  },
  {
    field: 'scope',
    label: 'Scope',
    kind: 'choice',
    options: [
      ['', 'not said'],
      ['wholeKit', 'a whole kit'],
      ['pair', 'a pair of parts'],
      ['singlePart', 'a single part'],
      ['finish', 'a finish'],
    ],
  },
];

/** What the kit is called, how long it takes, and what the sheet says of it as a whole. */
export function KitHead() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  return (
    <>
      <h2 className="plate mt-6 border-b-2 border-ink text-2xl">The kit</h2>
      <div className="pt-2">
        <FieldGrid entry={kit} name={kit.title} fields={FIELDS} edit={change} />
      </div>
    </>
  );
}
