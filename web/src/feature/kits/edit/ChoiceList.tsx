import { say } from '#contract/wording/say.ts';
import type { Choice } from '#core/kit/kit-preparation.ts';
import { CommitField } from '../../../ui/CommitField.tsx';
import { type RowField, RowList } from './RowList.tsx';

const FIELDS: ReadonlyArray<RowField<Choice>> = [
  { field: 'text', label: say('Asked'), kind: 'words', missing: say('Ask something.'), width: 'min-w-48 flex-1' },
  {
    field: 'by',
    label: say('Belongs to'),
    kind: 'choice',
    width: '',
    options: [
      ['owner', say('the owner')],
      ['fitter', say('the fitter')],
    ],
  },
  { field: 'when', label: say('Only'), kind: 'when', width: '' },
];

/** Options as they are typed, one to a line: what it is = what it brings. */
function optionsFrom(typed: string, before: Choice['options']): Choice['options'] | undefined {
  const lines = typed
    .split('\n')
    .map((line) => line.split('=').map((part) => part.trim()))
    .filter(([label]) => label);
  if (lines.length < 2 || lines.some(([, consequence]) => !consequence)) return undefined;
  return lines.map(([label = '', consequence = ''], place) => ({
    value: before[place]?.value ?? `option-${place + 1}`,
    label,
    consequence,
  }));
}

/** Choices that belong to a person: each option with what it brings, one line per option. */
export function ChoiceList() {
  return (
    <RowList<'choices'>
      list="choices"
      title={say('Choices of owner or fitter')}
      add={say('Add a choice')}
      large
      fields={FIELDS}
      nameOf={({ text }) => `“${text}”`}
      plain={() => ({
        text: say('Which setting?'),
        by: 'owner',
        options: [
          { value: 'soft', label: say('Soft'), consequence: say('Rides softer, leans more') },
          { value: 'firm', label: say('Firm'), consequence: say('Leans less, may break loose earlier') },
        ],
      })}
      below={(choice, edit) => (
        <CommitField
          label={say('Options, one to a line: what it is = what it brings')}
          multiline
          value={choice.options.map((option) => `${option.label} = ${option.consequence}`).join('\n')}
          onCommit={(typed) => {
            const options = optionsFrom(typed, choice.options);
            if (!options) return say('Two lines or more, each: what it is = what it brings');
            return void edit((entry) => {
              entry.options = options;
            });
          }}
        />
      )}
    />
  );
}
