import { useState } from 'react';
import { choiceText, conflictTitle, conflictWhy, sideLines } from '#contract/wording/conflict-text.ts';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { Conflict, ConflictSide } from '#core/kit/plan-conflict.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { ReceiveTabs } from '../../job/ReceiveTabs.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';

/** Where two kits are at odds, with their numbers side by side; and what was taken as one. */
export default function Conflicts() {
  const { plan, state, give } = useOpenJob();
  const lead = useSession((session) => session.session?.person.role === 'lead');
  const [choosing, setChoosing] = useState<{ conflict: Conflict; choice: string }>();
  const [settling, setSettling] = useState<JobCommand>();
  const [splitting, setSplitting] = useState<string>();
  const [printed, setPrinted] = useState('');
  const title = (kit: string) => plan.kits.find(({ id }) => id === kit)?.title ?? kit;
  const shared = plan.shared.filter(({ what }) => what !== 'caution');
  const read = printed.trim() === '' ? undefined : specFromPrinted(printed);
  return (
    <div className="flex flex-1 flex-col lg:min-h-0">
      <ReceiveTabs />
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <h1 className="plate text-3xl">{say('Conflicts between kits')}</h1>
        {plan.conflicts.length === 0 && (
          <p className="mt-1 text-ink-2">
            {plan.kits.length === 1
              ? say('One kit cannot be at odds with itself.')
              : say('The kits of this visit are not at odds.')}
          </p>
        )}
        {plan.conflicts.length > 0 && !lead && (
          <p className="mt-1 text-ink-2">{say('A lead chooses; the choice and its reason go on the record.')}</p>
        )}
        {plan.conflicts.map((conflict) => {
          const settled = state.visit.settled[conflict.id];
          return (
            <article
              key={conflict.id}
              className={`mt-4 border-2 bg-sheet p-4 ${settled ? 'border-ink' : 'border-bad'}`}
              aria-label={conflictTitle(conflict)}
            >
              <h2 className="plate text-2xl">{conflictTitle(conflict)}</h2>
              <p className="mt-1 max-w-3xl text-ink-2">{conflictWhy(conflict)}</p>
              <div className="mt-3 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
                {conflict.sides.map((side) => (
                  <Side
                    key={`${side.kit} ${side.ids.join()}`}
                    side={side}
                    title={title(side.kit)}
                    chosen={conflict.settled?.choice === side.kit}
                  />
                ))}
              </div>
              {settled ? (
                <p className="mt-3">
                  <b>
                    {choiceText(conflict, settled.settlement.choice, title)}
                    {settled.settlement.figure && say(', to {printed}', { printed: settled.settlement.figure.printed })}
                  </b>
                  , {settled.by.name}: {settled.reason}
                </p>
              ) : (
                <p className="mt-3 font-bold text-bad">
                  {say('Waits for a lead: nothing is started here until it is settled.')}
                </p>
              )}
              {lead && !state.closed && (
                <div className="mt-3 flex flex-wrap gap-2">
                  {conflict.choices.map((choice) => (
                    <Button key={choice} onClick={() => setChoosing({ conflict, choice })}>
                      {choiceText(conflict, choice, title)}
                    </Button>
                  ))}
                </div>
              )}
            </article>
          );
        })}
        {shared.length > 0 && (
          <section className="mt-6">
            <h2 className="plate text-2xl">{say('Taken as one')}</h2>
            <p className="text-ink-2">
              {say('Done once for all kits that ask for it. Two things of one name can be told apart.')}
            </p>
            <ul className="mt-2 border-t border-rule">
              {shared.map((work) => (
                <li
                  key={work.key}
                  className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-b border-hair"
                >
                  <span>
                    {work.name}{' '}
                    <span className="text-sm text-ink-2">
                      {[...new Set(work.members.map(({ kit }) => title(kit)))].join(', ')};{' '}
                      {work.by === 'place' ? say('both sheets name the place') : say('both sheets use these words')}
                    </span>
                  </span>
                  {work.by === 'name' && work.what !== 'aftercare' && !state.closed && (
                    <button type="button" className="min-h-11 px-2 underline" onClick={() => setSplitting(work.key)}>
                      {tell('These are two{name}', { name: <span className="sr-only">: {work.name}</span> })}
                    </button>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
      <ProofSheet command={settling} title={say('Settle it')} onClose={() => setSettling(undefined)} />
      <ReasonSheet
        open={choosing !== undefined}
        onClose={() => setChoosing(undefined)}
        title={
          choosing
            ? say('Settle: {choiceText}', { choiceText: choiceText(choosing.conflict, choosing.choice, title) })
            : ''
        }
        label={say('Reason, kept on the record')}
        confirm={say('Settle it')}
        onReason={(reason) => {
          if (choosing && (read === undefined || read.ok))
            setSettling({
              type: 'settleConflict',
              conflict: choosing.conflict.id,
              choice: choosing.choice,
              reason,
              ...(read?.ok ? { figure: { spec: read.value, printed: printed.trim() } } : {}),
            });
          setChoosing(undefined);
          setPrinted('');
        }}
      >
        {(choosing?.conflict.kind === 'sameJoint' || choosing?.conflict.kind === 'refitFigure') && (
          <label className="grid gap-1">
            <span className="font-bold">{say('Another figure, only from the vehicle’s manual')}</span>
            <input
              className="figures min-h-12 border-2 border-ink bg-sheet px-3"
              placeholder={say('leave empty for the kit’s own')}
              value={printed}
              onChange={(event) => setPrinted(event.target.value)}
            />
            {read && !read.ok && (
              <span className="text-bad">{say('No torque can be read from it: give the unit too.')}</span>
            )}
          </label>
        )}
      </ReasonSheet>
      <ReasonSheet
        open={splitting !== undefined}
        onClose={() => setSplitting(undefined)}
        title={say('Two things of one name')}
        label={say('What tells them apart')}
        confirm={say('These are two')}
        onReason={(reason) => {
          if (splitting !== undefined) give({ type: 'splitShared', key: splitting, reason });
          setSplitting(undefined);
        }}
      />
    </div>
  );
}

/** One kit's side: its figure large, the rest beneath. */
function Side({ side, title, chosen }: { side: ConflictSide; title: string; chosen: boolean }) {
  const band = side.spec && acceptBand(side.spec);
  return (
    <div className={`border-2 p-3 ${chosen ? 'border-ink' : 'border-rule'}`}>
      <p className="font-bold">
        {title}
        {chosen && say(' · chosen')}
      </p>
      {side.printed === undefined ? <p className="text-lg">{side.name}</p> : <Printed text={side.printed} />}
      {band && (
        <p className="figures text-sm text-ink-2">
          {/lbf/.test(side.printed ?? '')
            ? `${showTorqueIn(band.targetNm, 'N·m').number} N·m`
            : `${showTorqueIn(band.targetNm, 'lbf·ft').number} lbf·ft`}
        </p>
      )}
      <dl className="mt-1 text-sm">
        {sideLines(side)
          .filter(([name]) => name !== 'Torque')
          .map(([name, text]) => (
            <div key={name} className="flex justify-between gap-3 border-t border-hair py-1">
              <dt className="text-ink-2">{name}</dt>
              <dd className="text-right font-bold">{text}</dd>
            </div>
          ))}
      </dl>
    </div>
  );
}

/** A torque as printed, its unit lighter than its number. */
function Printed({ text }: { text: string }) {
  const [, number = text, unit = ''] = /^(\S+)\s+(.*)$/.exec(text) ?? [];
  return (
    <p className="figures my-1">
      <span className="text-5xl font-bold">{number}</span> <span className="text-xl">{unit}</span>
    </p>
  );
}
