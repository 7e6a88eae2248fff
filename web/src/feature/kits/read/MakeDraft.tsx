import { type FormEvent, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { correctDraft } from '#core/kit/draft/correct-draft.ts';
import type { Assumption, Draft } from '#core/kit/draft/drafting.ts';
import type { SheetStep } from '#core/sheet/step-split.ts';
import { api, call } from '../../../shop/api.ts';
import { useChange } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { inSheetWorker } from '../../../worker/sheet-worker.ts';
import { idFrom } from '../kit-id.ts';
import { AssumptionRow } from './AssumptionRow.tsx';
import { type Judged, useSheet } from './sheet-store.ts';

/** Names the kit and makes its draft; what the draft had to assume is said before. */
export function MakeDraft({ judged, onClose }: { judged: Judged; onClose: () => void }) {
  const { reading, file, close } = useSheet();
  const navigate = useNavigate();
  const first = reading?.steps[0]?.text ?? '';
  const [title, setTitle] = useState(first.length < 70 && !/\d{2}/.test(first) ? sentence(first) : '');
  const [maker, setMaker] = useState('');
  // The draft as it was made, and after each correction: the last one counts, and one is taken back.
  const [drafts, setDrafts] = useState<Draft[]>([]);
  const draft = drafts.at(-1);
  const [missing, setMissing] = useState<string>();
  const { act, busy, failure: unsent } = useChange('drafts');
  const failure = missing ?? unsent;
  useEffect(() => {
    let alive = true;
    if (reading) void draftOf(reading.steps, judged).then((made) => alive && setDrafts([made]));
    return () => {
      alive = false;
    };
  }, [reading, judged]);
  if (!reading) return null;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (title.trim() === '' || maker.trim() === '') return setMissing(say('Give the kit a title and a maker.'));
    setMissing(undefined);
    await act(async () => {
      const head = { id: idFrom(title), title: title.trim(), maker: maker.trim() };
      const { kit } = draft ?? (await draftOf(reading.steps, judged));
      await call(api['kit-library'].drafts.$post({ json: { document: { ...kit, ...head }, sheet: reading.text } }));
      close();
      void navigate(`/kits/drafts/${head.id}`);
    });
    return undefined;
  };
  const { kit } = draft ?? {};
  const drives = kit?.tools.flatMap(({ drive }) => drive ?? []) ?? [];
  // What would hurt most if it were wrong stands first.
  const assumed = [...(draft?.assumed ?? [])].sort((a, b) => WORST_FIRST.indexOf(a.code) - WORST_FIRST.indexOf(b.code));
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={say('Make the draft')}
      description={say('From {file}: what you took goes in, what you turned down does not.', {
        file: file ?? say('the sheet'),
      })}
    >
      <form onSubmit={submit} className="grid gap-4">
        <div className="grid gap-4 sm:grid-cols-2">
          <FormField id="draft-title" label={say('Title of the kit')}>
            <input
              id="draft-title"
              className={inputLook(false)}
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          </FormField>
          <FormField id="draft-maker" label={say('Maker')}>
            <input
              id="draft-maker"
              className={inputLook(false)}
              value={maker}
              onChange={(event) => setMaker(event.target.value)}
            />
          </FormField>
        </div>
        {kit ? (
          <p className="figures">
            {numberOf(kit.items.length, 'packing line')} ·{' '}
            {say('{stations} in {groups}', {
              stations: numberOf(kit.stations.length, 'station'),
              groups: numberOf(kit.groups.length, 'group'),
            })}{' '}
            · {numberOf(kit.steps.length, 'step')} · {numberOf(kit.questions.length, 'question')}
          </p>
        ) : (
          <p className="text-ink-2">{say('Working it out.')}</p>
        )}
        {assumed.length > 0 && (
          <div>
            <h3 className="plate text-xl">{say('Assumed, because the sheet does not say')}</h3>
            <p className="text-sm text-ink-2">
              {say(
                'What would hurt most if it were wrong stands first. What you do not settle here is settled in the kit.',
              )}
            </p>
            <div className="mt-1 max-h-[38vh] overflow-y-auto border border-rule bg-bench">
              <ul className="px-3 text-sm">
                {assumed.map((entry) => (
                  <AssumptionRow
                    key={`${entry.path} ${entry.code}`}
                    assumption={entry}
                    drives={drives}
                    onSettle={(correction) => draft && setDrafts([...drafts, correctDraft(draft, entry, correction)])}
                  />
                ))}
              </ul>
            </div>
          </div>
        )}
        {drafts.length > 1 && (
          <p className="flex flex-wrap items-center gap-3" role="status">
            {tell('{numberOf} settled{which}.', {
              numberOf: numberOf(drafts.length - 1, 'assumption'),
              which: assumed.length === 0 ? say(', nothing is left open') : '',
            })}
            <button type="button" className="min-h-11 px-2 underline" onClick={() => setDrafts(drafts.slice(0, -1))}>
              {say('Take the last back')}
            </button>
          </p>
        )}
        {judged.open.length > 0 && (
          <p className="font-bold text-bad">
            {tell(
              '{count}  {count, plural, one {fact is} other {facts are}} still to be checked and will be left out.',
              { count: judged.open.length },
            )}
          </p>
        )}
        {failure && (
          <p role="alert" className="font-bold text-bad">
            {failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Back to the sheet')}</Button>
          <Button type="submit" tone="primary" disabled={busy}>
            {say('Make the draft')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

const draftOf = (steps: SheetStep[], { taken }: Judged): Promise<Draft> =>
  inSheetWorker((worker) => worker.draft({ steps }, taken, { id: 'draft', title: say('Draft'), maker: say('Maker') }));

const WORST_FIRST: ReadonlyArray<Assumption['code']> = [
  'countAssumed',
  'strengthAssumed',
  'compoundNearby',
  'driveUnknown',
  'boltNotListed',
  'takenForNut',
  'toleranceAssumed',
  'rideHeightLast',
  'appliedBefore',
  'fateUnknown',
  'driveFromThread',
  'partGoesOnWith',
  'positionsUnknown',
  'thicknessUnknown',
];

const sentence = (text: string): string => {
  const plain = text.replace(/\s+/g, ' ').trim().replace(/[.:]$/, '');
  return plain === plain.toUpperCase() ? plain.charAt(0) + plain.slice(1).toLowerCase() : plain;
};
