import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink, useNavigate, useParams } from 'react-router';
import { useStore } from 'zustand';
import { faultText } from '#contract/read-kit.ts';
import { say } from '#contract/wording/say.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { TopBar } from '../../../app/TopBar.tsx';
import { api, call } from '../../../shop/api.ts';
import { useChange } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { Notice } from '../../../ui/Notice.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { kitWorker } from '../../../worker/kit-worker.ts';
import { DryRun } from '../dry-run/DryRun.tsx';
import { Conflict } from './Conflict.tsx';
import { useEditor } from './editor-store.ts';
import { GroupEditor } from './GroupEditor.tsx';
import { MapEditor } from './map/MapEditor.tsx';
import { PackingGrid } from './PackingGrid.tsx';
import { QuestionEditor } from './QuestionEditor.tsx';
import { Release } from './Release.tsx';
import { StationEditor } from './StationEditor.tsx';
import { StepEditor } from './StepEditor.tsx';

const PARTS = [
  ['packing', say('Packing list'), PackingGrid],
  ['map', say('Bolt map'), MapEditor],
  ['stations', say('Stacks'), StationEditor],
  ['groups', say('Groups'), GroupEditor],
  ['steps', say('Steps'), StepEditor],
  ['questions', say('Questions'), QuestionEditor],
  ['dry-run', say('Dry run'), DryRun],
  ['release', say('Findings'), Release],
] as const;

/** How long the hand must rest before the draft is saved, ms; how soon a failed save is tried again. */
const REST_MS = 900;
const AGAIN_MS = 5000;

const SAVE_TEXT = {
  saved: say('Saved'),
  unsaved: say('Not saved yet'),
  saving: say('Saving'),
  offline: say('Kept on this device, not saved'),
  conflict: say('Someone else saved'),
} as const;

/** The kit editor: one part of the document at a time, saved as it is written, checked as it is written. */
export default function KitEditor() {
  const { kitId = '', part = 'packing' } = useParams();
  const { kit, save, failure, restored, open, store, theirs } = useEditor();
  useEffect(() => {
    void open(kitId);
  }, [kitId, open]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: every change of the kit starts the wait anew
  useEffect(() => {
    if (save !== 'unsaved' && save !== 'offline') return;
    const timer = setTimeout(() => void store(), save === 'offline' ? AGAIN_MS : REST_MS);
    return () => clearTimeout(timer);
  }, [save, kit, store]);
  const { undo, redo, pastStates, futureStates } = useStore(useEditor.temporal);
  const step = (which: () => void) => {
    which();
    // What undo brings back is saved like anything else.
    useEditor.setState({ save: 'unsaved' });
  };
  useHotkeys('mod+z', () => pastStates.length > 0 && step(undo), { preventDefault: true }, [pastStates.length]);
  useHotkeys('mod+shift+z, mod+y', () => futureStates.length > 0 && step(redo), { preventDefault: true }, [
    futureStates.length,
  ]);
  const findings = useEditor((state) => state.checked?.findings) ?? [];
  useEffect(() => {
    let newest = true;
    if (kit)
      void kitWorker()
        .lint(kit)
        .then((found) => newest && useEditor.setState({ checked: { kit, findings: found } }));
    return () => {
      newest = false;
    };
  }, [kit]);
  const faults = useMemo(() => (kit ? kitFaults(kit).map(faultText) : []), [kit]);
  const errors = findings.filter((finding) => finding.severity === 'error').length + faults.length;
  const warnings = findings.filter((finding) => finding.severity === 'warning').length;
  const [showSheet, setShowSheet] = useState(false);
  const sheet = useEditor((state) => state.sheet);

  if (!kit)
    return (
      <div className="flex h-dvh flex-col">
        <TopBar />
        {failure ? (
          <Notice
            title={say('No draft here')}
            detail={failure}
            secondary={{ to: '/kits', label: say('To the kits') }}
          />
        ) : (
          <Notice title={say('One moment')} detail={say('Opening the draft.')} busy />
        )}
      </div>
    );
  const Part = PARTS.find(([name]) => name === part)?.[2];
  return (
    <div className="flex min-h-dvh flex-col bg-bench lg:h-dvh">
      <TopBar
        keys={[
          { keys: 'Ctrl Z', does: say('Undo') },
          { keys: 'Ctrl Shift Z', does: say('Redo') },
          { keys: '↑ ↓ Enter', does: say('Between the cells of the packing list') },
          { keys: '← ↑ → ↓', does: say('Nudge the chosen stations on the map') },
          { keys: 'Space ← P', does: say('Dry run: next move, back, play') },
          { keys: 'Space', does: say('Lift a row at its handle, then arrows, then Space') },
        ]}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-1.5">
        <h1 className="plate mr-auto truncate text-3xl">
          {kit.title}{' '}
          <span className="text-ink-2">{tell('revision {revision}, draft', { revision: kit.revision })}</span>
        </h1>
        <span
          role="status"
          className={`text-sm ${save === 'offline' || save === 'conflict' ? 'font-bold text-bad' : 'text-ink-2'}`}
        >
          {SAVE_TEXT[save]}
        </span>
        {sheet && (
          <button type="button" className="min-h-11 px-2 text-sm underline" onClick={() => setShowSheet(true)}>
            {say('The sheet')}
          </button>
        )}
        <Button className="min-h-11!" onClick={() => step(undo)} disabled={pastStates.length === 0}>
          {say('Undo')}
        </Button>
        <Button className="min-h-11!" onClick={() => step(redo)} disabled={futureStates.length === 0}>
          {say('Redo')}
        </Button>
        <PutAway />
      </div>
      <nav aria-label={say('Parts of the kit')} className="flex overflow-x-auto border-b-2 border-ink bg-floor">
        {PARTS.map(([name, text]) => (
          <NavLink
            key={name}
            to={`/kits/drafts/${kitId}/${name}`}
            className={`plate flex min-h-13 items-center gap-2 px-4 text-xl whitespace-nowrap ${part === name ? 'bg-bench' : 'text-ink-2'}`}
            aria-current={part === name ? 'page' : undefined}
          >
            {text}
            {name === 'release' && (
              <span className={`figures px-1.5 text-sm ${errors > 0 ? 'bg-bad text-sheet' : 'bg-plate text-on-plate'}`}>
                {errors > 0 ? errors : warnings}
              </span>
            )}
          </NavLink>
        ))}
      </nav>
      {restored && save !== 'saved' && (
        <p role="status" className="border-b border-rule bg-sheet px-4 py-2 text-sm">
          {say('Work that was not saved was found on this device and taken up.')}
        </p>
      )}
      {failure && save === 'offline' && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-4 py-2 font-bold text-bad">
          {failure}
        </p>
      )}
      <main className="flex flex-1 flex-col lg:min-h-0 lg:overflow-y-auto">
        {Part ? (
          <Part />
        ) : (
          <Notice
            title={say('No such part')}
            detail={say('The address leads nowhere.')}
            secondary={{ to: `/kits/drafts/${kitId}`, label: say('To the packing list') }}
          />
        )}
      </main>
      {theirs && <Conflict theirs={theirs} mine={kit} />}
      {sheet && (
        <Sheet open={showSheet} onClose={() => setShowSheet(false)} wide title={say('The sheet it was read from')}>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a text that scrolls is reached by keyboard */}
          <pre className="max-h-[60dvh] overflow-y-auto whitespace-pre-wrap text-sm" tabIndex={0}>
            {sheet}
          </pre>
        </Sheet>
      )}
    </div>
  );
}

/** Throws the draft away; asked once, because there is no way back. */
function PutAway() {
  const navigate = useNavigate();
  const kit = useEditor((state) => state.kit);
  const [asking, setAsking] = useState(false);
  const { act, failure } = useChange('drafts');
  if (!kit) return null;
  const discard = async () => {
    await act(async () => {
      await call(api['kit-library'].drafts[':id'].$delete({ param: { id: kit.id } }));
      localStorage.removeItem(`kit-draft ${kit.id}`);
      useEditor.setState({ kit: undefined, save: 'saved' });
      void navigate('/kits');
    });
  };
  return (
    <>
      <button type="button" className="min-h-11 px-2 text-sm text-bad underline" onClick={() => setAsking(true)}>
        {say('Throw away')}
      </button>
      <Sheet
        open={asking}
        onClose={() => setAsking(false)}
        title={say('Throw this draft away?')}
        description={say('Released revisions stay. The draft cannot be brought back.')}
      >
        {failure && (
          <p role="alert" className="mb-3 font-bold text-bad">
            {failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={() => setAsking(false)}>{say('Keep it')}</Button>
          <Button tone="bad" onClick={() => void discard()}>
            {say('Throw it away')}
          </Button>
        </div>
      </Sheet>
    </>
  );
}
