import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { moveText } from '#contract/wording/rehearsal-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { combinationsToPlay } from '#core/rehearse/rehearse-all.ts';
import { Notice } from '../../../ui/Notice.tsx';
import { useKit } from '../edit/editor-store.ts';
import { AnswerFields } from './AnswerFields.tsx';
import { FilmControls } from './FilmControls.tsx';
import { FilmEnd } from './FilmEnd.tsx';
import { FilmPicture } from './FilmPicture.tsx';
import { FilmStrip } from './FilmStrip.tsx';
import { GroupOrders } from './GroupOrders.tsx';
import { usePlayed } from './played.ts';
import { useFilm } from './use-film.ts';
import { useRehearsal } from './use-rehearsal.ts';
import { Verdict } from './Verdict.tsx';

/** The kit as its fitters will see it, before it is released. */
export function DryRun() {
  const kit = useKit();
  const faulty = useMemo(() => kitFaults(kit).length, [kit]);
  if (faulty > 0)
    return (
      <Notice
        title={say('It cannot be played yet')}
        detail={say(
          '{faulty} {faulty, plural, one {reference does} other {references do}} not hold. Put them right first.',
          { faulty },
        )}
        secondary={{ to: `/kits/drafts/${kit.id}/release`, label: say('To the findings') }}
      />
    );
  return <Playing key={kit.id} kit={kit} />;
}

function Playing({ kit }: { kit: KitDocument }) {
  const usual = useMemo(() => combinationsToPlay(kit).play[0] ?? {}, [kit]);
  const [chosen, setChosen] = useState<Answers>();
  const answers = chosen ?? usual;
  const played = usePlayed(kit);
  const { film, failure } = useRehearsal(kit, answers);
  const at = useFilm(film);
  const next = useRef<HTMLButtonElement>(null);
  // Space is the next move wherever the cursor is, except where something is being chosen or pressed.
  const elsewhere = (event: KeyboardEvent) =>
    event.target instanceof HTMLElement &&
    event.target !== next.current &&
    event.target.closest('button, a, select, input, textarea') !== null;
  const keys = { preventDefault: true, ignoreEventWhen: elsewhere };
  useHotkeys('space, right', at.next, keys, [at.next]);
  useHotkeys('left', at.back, keys, [at.back]);
  useHotkeys('p', at.toggle, keys, [at.toggle]);
  // Where somebody jumped to, Space goes on from.
  const goOn = () => next.current?.focus();
  const show = (them: Answers) => {
    setChosen(them);
    at.rewind();
  };

  if (!film)
    return failure ? (
      <Notice title={say('It cannot be played')} detail={failure} />
    ) : (
      <Notice title={say('One moment')} detail={say('The kit is being played on this vehicle.')} busy />
    );
  const { rehearsal } = film;
  const move = rehearsal.moves[at.position];
  const log = film.logAt(Math.min(at.position, rehearsal.moves.length));
  return (
    <div className="grid content-start lg:min-h-0 lg:flex-1 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section aria-label={say('The line')} className="flex min-w-0 flex-col lg:min-h-0">
        {log && (
          <FilmStrip
            film={film}
            position={at.position}
            onSeek={(to) => {
              at.seek(to);
              goOn();
            }}
          />
        )}
        <div className="grid-paper flex min-h-80 flex-1 flex-col lg:min-h-0 lg:overflow-y-auto">
          {move && log ? (
            <FilmPicture log={log} move={move} text={moveText(log, move)} />
          ) : (
            <FilmEnd kit={kit} film={film} log={log} />
          )}
        </div>
        <FilmControls at={at} moves={rehearsal.moves.length} next={next} />
      </section>
      <aside className="grid min-w-0 content-start gap-5 border-ink bg-sheet p-4 lg:min-h-0 lg:overflow-y-auto lg:border-l-2">
        <AnswerFields kit={kit} answers={answers} onAnswers={show} />
        <Verdict kit={kit} played={played} onShow={show} />
        <GroupOrders
          film={film}
          onFilm={(from, to) => {
            at.film(from, to);
            goOn();
          }}
        />
      </aside>
    </div>
  );
}
