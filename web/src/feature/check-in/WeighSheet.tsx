import { useId, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { countByWeight, type Weighed, type WeightCount, type WeightFault } from '#core/kit/count-by-weight.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { written } from '#core/quantity/display.ts';
import { Button } from '../../ui/Button.tsx';
import { typedNumber } from '../../ui/CommitField.tsx';
import { inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';

const FIELDS: ReadonlyArray<{ field: keyof Weighed; label: string; usual: string }> = [
  { field: 'divisionG', label: say('Smallest step of the scale, g'), usual: '0.1' },
  { field: 'tareG', label: say('Empty bowl, g'), usual: '0' },
  { field: 'samplePieces', label: say('Pieces counted into it'), usual: '' },
  { field: 'sampleG', label: say('Bowl with those, g'), usual: '' },
  { field: 'allG', label: say('Bowl with all, g'), usual: '' },
];

const NEEDS: Record<keyof Weighed, string> = {
  divisionG: say('Above nought.'),
  tareG: say('Nought or more.'),
  samplePieces: say('A whole number, one or more.'),
  sampleG: say('More than the empty bowl.'),
  allG: say('The empty bowl or more, and at most 5000 pieces.'),
};

function faultText(fault: Extract<WeightFault, { code: 'cannotTell' }>): string {
  const { pieces, wantedSample } = fault;
  return say('It cannot be told from one more or one less: about {pieces}. {which}', {
    pieces,
    which:
      wantedSample === undefined
        ? say('Count by hand, or use a finer scale.')
        : say('Count {wantedSample} into the bowl and weigh again.', { wantedSample }),
  });
}

/** Counts a line by weight: an empty bowl, a counted sample, and all of them. */
export function WeighSheet({
  item,
  onClose,
  onCount,
}: {
  item: PlanItem | undefined;
  onClose: () => void;
  onCount: (pieces: number) => void;
}) {
  return (
    <Sheet open={item !== undefined} onClose={onClose} title={say('By weight: {name}', { name: item?.name ?? '' })}>
      {item && <Weighing key={item.id} onCount={onCount} />}
    </Sheet>
  );
}

function Weighing({ onCount }: { onCount: (pieces: number) => void }) {
  const id = useId();
  const [typed, setTyped] = useState<Record<keyof Weighed, string>>(
    Object.fromEntries(FIELDS.map(({ field, usual }) => [field, usual])) as Record<keyof Weighed, string>,
  );
  const whole = FIELDS.every(({ field }) => typed[field].trim() !== '');
  const counted = whole
    ? countByWeight(
        Object.fromEntries(FIELDS.map(({ field }) => [field, typedNumber(typed[field])])) as unknown as Weighed,
      )
    : undefined;
  const impossible =
    counted?.ok === false && counted.error.code === 'readingImpossible' ? counted.error.field : undefined;
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (counted?.ok) onCount(counted.value.pieces);
      }}
    >
      {FIELDS.map(({ field, label }) => (
        <div key={field} className="grid gap-1">
          <label htmlFor={`${id}-${field}`} className="text-sm text-ink-2">
            {label}
          </label>
          <input
            id={`${id}-${field}`}
            inputMode="decimal"
            className={`figures text-right ${inputLook(impossible === field)}`}
            value={typed[field]}
            onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
          />
          {impossible === field && (
            <p role="alert" className="text-sm font-bold text-bad">
              {NEEDS[field]}
            </p>
          )}
        </div>
      ))}
      {counted && <Outcome counted={counted} />}
      <Button type="submit" tone="primary" disabled={!counted?.ok}>
        {counted?.ok ? say('Count {pieces}', { pieces: counted.value.pieces }) : say('Count it')}
      </Button>
    </form>
  );
}

function Outcome({ counted }: { counted: ReturnType<typeof countByWeight> }) {
  if (counted.ok) return <Sure {...counted.value} />;
  if (counted.error.code !== 'cannotTell') return null;
  return (
    <p role="alert" className="font-bold text-bad">
      {faultText(counted.error)}
    </p>
  );
}

const Sure = ({ pieces, pieceG, sure }: WeightCount) => (
  <p role="status">
    <b className="figures text-3xl">{pieces}</b>{' '}
    <span className="text-ink-2">
      {tell('of {pieceG} g each, {which}', {
        pieceG: written(pieceG, 2),
        which: sure > 0.9995 ? say('as good as certain') : say('{sure} % sure', { sure: written(sure * 100, 1) }),
      })}
    </span>
  </p>
);
