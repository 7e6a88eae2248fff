import { PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { type Baseline, type Check, SYMMETRIES } from '#core/kit/kit-preparation.ts';
import { PHASES } from '#core/kit/phase.ts';
import { MEASURED } from '#core/quantity/doubtful-measure.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { FieldGrid, type RowField } from './RowList.tsx';

const asIs = (words: readonly string[]) => words.map((word) => [word, word] as const);
const figure = (field: string, label: string, least = -1e5) => ({
  field,
  label,
  kind: 'number',
  least,
  most: 1e5,
  optional: true,
  refused: least > 0 ? say('Above 0.') : say('A number.'),
});
const ABOVE = Number.MIN_VALUE;
const MISS = {
  field: 'miss',
  label: say('A miss'),
  kind: 'choice',
  options: [
    ['', say('is put right first')],
    ['deviation', say('stands on the record')],
  ],
};

/** What a check is judged by, beyond its limits. */
const JUDGED = [
  {
    field: 'quantity',
    label: say('What is measured'),
    kind: 'choice',
    options: [['', say('not said')], ...asIs(MEASURED)],
  },
  figure('target', say('Aimed at')),
  figure('tolerance', say('Off by at most'), ABOVE),
  figure('spread', say('Apart at most'), ABOVE),
  {
    field: 'symmetry',
    label: say('Its places are'),
    kind: 'choice',
    options: [
      ['', say('each by itself')],
      ...SYMMETRIES.map((one) => [one, one === 'leftRight' ? say('left like right') : one] as const),
    ],
  },
  figure('sides', say('Left and right apart at most'), ABOVE),
  { field: 'instrument', label: say('With'), kind: 'words', optional: true },
  { field: 'photo', label: say('With a photo'), kind: 'tick' },
  MISS,
  {
    field: 'holds',
    label: say('Holds back'),
    kind: 'choice',
    options: [['', say('what comes after it')], ...PHASES.map((phase) => [phase, PHASE_TEXT[phase]] as const)],
  },
  { field: 'usually', label: say('What a miss usually means'), kind: 'words', optional: true },
] as unknown as ReadonlyArray<RowField<Check>>;

/** The step a miss goes back to: one of the kit's own. */
const failsTo = (kit: KitDocument) =>
  ({
    field: 'failsTo',
    label: say('Put right at step'),
    kind: 'choice',
    options: [
      ['', say('not said')],
      ...kit.steps.map(({ id, number, text }) => [id, `${number ? `${number} ` : ''}${text.slice(0, 60)}`] as const),
    ],
  }) as unknown as RowField<Check>;

interface FieldsProps<Entry> {
  kit: KitDocument;
  entry: Entry;
  name: string;
  edit: (recipe: (entry: Entry) => void) => void;
}

/** How a check is judged and what a miss leads to. */
export const CheckFields = ({
  kit,
  entry,
  name,
  limits,
  edit,
}: FieldsProps<Check> & { limits: ReadonlyArray<RowField<Check>> }) => (
  <FieldGrid entry={entry} name={name} fields={[...limits, ...JUDGED, failsTo(kit)]} edit={edit}>
    {(['from', 'to'] as const).map((end) => (
      <CommitField
        key={end}
        label={end === 'from' ? say('Over a travel, read first at') : say('and then at')}
        value={entry.travel?.[end] ?? ''}
        onCommit={(typed) => {
          const word = typed.trim();
          edit((target) => {
            const other = target.travel?.[end === 'from' ? 'to' : 'from'] ?? '';
            // Both ends or none: the one not named yet is only the other end.
            if (word === '') delete target.travel;
            else
              target.travel = {
                from: end === 'from' ? word : other || 'one end',
                to: end === 'to' ? word : other || 'the other end',
              };
          });
          return undefined;
        }}
      />
    ))}
  </FieldGrid>
);

const BASELINE = [
  {
    field: 'quantity',
    label: say('What is measured'),
    kind: 'choice',
    options: asIs(['rideHeight', 'camber', 'caster', 'toe', 'length', 'gap', 'play']),
  },
  { field: 'places', label: say('Each of, with commas'), kind: 'places' },
  { field: 'instrument', label: say('With'), kind: 'words', optional: true },
  { field: 'photo', label: say('With a photo'), kind: 'tick' },
  figure('sides', say('Left and right apart at most'), ABOVE),
  {
    ...MISS,
    options: [
      ['', say('stands on the record')],
      ['gates', say('is put right first')],
    ],
  },
] as unknown as ReadonlyArray<RowField<Baseline>>;

/** What is measured before and again after, with what the kit claims of it. */
export function BaselineFields({ entry, name, edit }: Omit<FieldsProps<Baseline>, 'kit'>) {
  const bound = (field: 'change' | 'after', end: 'min' | 'max', label: string) => (
    <CommitField
      label={label}
      className="figures"
      value={entry[field]?.[end] === undefined ? '' : String(entry[field]?.[end])}
      onCommit={(typed) => {
        const value = typed.trim() === '' ? undefined : typedNumber(typed);
        if (value !== undefined && Number.isNaN(value)) return say('A number.');
        edit((target) => {
          if (field === 'change') {
            // A claim has two ends: the one that is not given yet is the same.
            const other = target.change?.[end === 'min' ? 'max' : 'min'];
            if (value === undefined) delete target.change;
            else
              target.change = {
                min: end === 'min' ? value : (other ?? value),
                max: end === 'max' ? value : (other ?? value),
              };
            return;
          }
          const { [end]: _, ...left } = target.after ?? {};
          const after = value === undefined ? left : { ...left, [end]: value };
          if (Object.keys(after).length > 0) target.after = after;
          else delete target.after;
        });
        return undefined;
      }}
    />
  );
  return (
    <FieldGrid entry={entry} name={name} fields={BASELINE} edit={edit}>
      {bound('change', 'min', say('Changes by at least'))}
      {bound('change', 'max', say('Changes by at most'))}
      {bound('after', 'min', say('Afterwards at least'))}
      {bound('after', 'max', say('Afterwards at most'))}
    </FieldGrid>
  );
}
