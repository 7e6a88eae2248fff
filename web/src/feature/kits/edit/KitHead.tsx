import { say } from '#contract/wording/say.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { useEditor, useKit } from './editor-store.ts';
import { FieldGrid, type RowField } from './RowList.tsx';

const FIELDS: ReadonlyArray<RowField<KitDocument>> = [
  { field: 'title', label: say('Title'), kind: 'words', missing: say('Give it a title.') },
  { field: 'maker', label: say('Maker'), kind: 'words', missing: say('Give it a maker.') },
  {
    field: 'statedMinutes',
    label: say('Stated time, minutes'),
    kind: 'number',
    least: Number.MIN_VALUE,
    most: 10_000,
    optional: true,
    refused: say('Up to 10,000.'),
  },
  { field: 'difficulty', label: say('Difficulty, as the sheet says'), kind: 'words', optional: true },
  {
    field: 'powerTools',
    label: say('Power tools'),
    kind: 'choice',
    options: [
      ['', say('not said: run down only')],
      ['runDownOnly', say('run down only')],
      ['never', 'never'],
      ['free', say('freely, torque after')],
    ],
  },
  {
    field: 'scope',
    label: say('Scope'),
    kind: 'choice',
    options: [
      ['', say('not said')],
      ['wholeKit', say('a whole kit')],
      ['pair', say('a pair of parts')],
      ['singlePart', say('a single part')],
      ['finish', say('a finish')],
    ],
  },
];

/** What the kit is called, how long it takes, and what the sheet says of it as a whole. */
export function KitHead() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  return (
    <>
      <h2 className="plate mt-6 border-b-2 border-ink text-2xl">{say('The kit')}</h2>
      <div className="pt-2">
        <FieldGrid entry={kit} name={kit.title} fields={FIELDS} edit={change} />
      </div>
    </>
  );
}
