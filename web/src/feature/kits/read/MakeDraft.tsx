import { type FormEvent, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { assumptionText } from '#contract/wording/fact-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import type { Assumption, Draft } from '#core/kit/draft/drafting.ts';
import { api, call } from '../../../shop/api.ts';
import { useChange } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { inSheetWorker } from '../../../worker/sheet-worker.ts';
import { idFrom } from '../kit-id.ts';
import { type Judged, useSheet } from './sheet-store.ts';

/** Names the kit and makes its draft; what the draft had to assume is said before. */
export function MakeDraft({ judged, onClose }: { judged: Judged; onClose: () => void }) {
  const { reading, file, close } = useSheet();
  const navigate = useNavigate();
  const first = reading?.steps[0]?.text ?? '';
  const [title, setTitle] = useState(first.length < 70 && !/\d{2}/.test(first) ? sentence(first) : '');
  const [maker, setMaker] = useState('');
  const [draft, setDraft] = useState<Draft>();
  const [missing, setMissing] = useState<string>();
  const { act, busy, failure: unsent } = useChange('drafts');
  const failure = missing ?? unsent;
  useEffect(() => {
    let alive = true;
    if (reading)
      void inSheetWorker((worker) =>
        worker.draft({ steps: reading.steps }, judged.taken, { id: 'draft', title: 'Draft', maker: 'Maker' }),
      ).then((made) => alive && setDraft(made));
    return () => {
      alive = false;
    };
  }, [reading, judged]);
  if (!reading) return null;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (title.trim() === '' || maker.trim() === '') return setMissing('Give the kit a title and a maker.');
    setMissing(undefined);
    await act(async () => {
      const head = { id: idFrom(title), title: title.trim(), maker: maker.trim() };
      const { kit } = await inSheetWorker((worker) => worker.draft({ steps: reading.steps }, judged.taken, head));
      await call(api['kit-library'].drafts.$post({ json: { document: kit, sheet: reading.text } }));
      close();
      void navigate(`/kits/drafts/${head.id}`);
    });
    return undefined;
  };
  const { kit } = draft ?? {};
  // What would hurt most if it were wrong stands first.
  const assumed = [...(draft?.assumed ?? [])].sort((a, b) => WORST_FIRST.indexOf(a.code) - WORST_FIRST.indexOf(b.code));
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Make the draft"
      description={`From ${file ?? 'the sheet'}: what you took goes in, what you turned down does not.`}
    >
      <form onSubmit={submit} className="grid gap-4">
        <div className="grid gap-4 sm:grid-cols-2">
          <FormField id="draft-title" label="Title of the kit">
            <input
              id="draft-title"
              className={inputLook(false)}
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          </FormField>
          <FormField id="draft-maker" label="Maker">
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
            {numberOf(kit.items.length, 'packing line')} · {numberOf(kit.stations.length, 'station')} in{' '}
            {numberOf(kit.groups.length, 'group')} · {numberOf(kit.steps.length, 'step')} ·{' '}
            {numberOf(kit.questions.length, 'question')}
          </p>
        ) : (
          <p className="text-ink-2">Working it out.</p>
        )}
        {assumed.length > 0 && (
          <div>
            <h3 className="plate text-xl">Assumed, because the sheet does not say</h3>
            {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls is reached by keyboard */}
            <div className="mt-1 max-h-48 overflow-y-auto border border-rule bg-bench" tabIndex={0}>
              <ul className="list-disc py-2 pr-2 pl-7 text-sm">
                {assumed.map((entry) => (
                  <li key={`${entry.path} ${entry.code}`}>{assumptionText(entry)}</li>
                ))}
              </ul>
            </div>
          </div>
        )}
        {judged.open.length > 0 && (
          <p className="font-bold text-bad">
            {judged.open.length} {judged.open.length === 1 ? 'fact is' : 'facts are'} still to be checked and will be
            left out.
          </p>
        )}
        {failure && (
          <p role="alert" className="font-bold text-bad">
            {failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>Back to the sheet</Button>
          <Button type="submit" tone="primary" disabled={busy || !kit}>
            Make the draft
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

const WORST_FIRST: ReadonlyArray<Assumption['code']> = [
  'countAssumed',
  'strengthAssumed',
  'compoundNearby',
  'driveUnknown',
  'boltNotListed',
  'fateUnknown',
  'driveFromThread',
  'positionsUnknown',
  'thicknessUnknown',
];

const sentence = (text: string): string => {
  const plain = text.replace(/\s+/g, ' ').trim().replace(/[.:]$/, '');
  return plain === plain.toUpperCase() ? plain.charAt(0) + plain.slice(1).toLowerCase() : plain;
};
