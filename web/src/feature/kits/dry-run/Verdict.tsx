import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { answersText } from '#contract/wording/finding-text.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Timed } from '#core/rehearse/rehearse-all.ts';
import { placeAddress } from '../edit/finding-place.ts';
import type { Played } from './played.ts';

/** Every combination played: what stands in the way of a release, and what a kit's maker should know. */
export function Verdict({
  kit,
  played,
  onShow,
}: {
  kit: KitDocument;
  played: Played | undefined;
  onShow: (answers: Answers) => void;
}) {
  return (
    <section aria-label={say('Every vehicle')} aria-live="polite">
      <h2 className="plate border-b-2 border-ink text-2xl">{say('Every vehicle')}</h2>
      {played?.failure ? (
        <p role="alert" className="py-2 font-bold text-bad">
          {played.failure}
        </p>
      ) : played?.told ? (
        <Told kit={kit} told={played.told} onShow={onShow} />
      ) : (
        <Progress {...played?.progress} />
      )}
    </section>
  );
}

function Progress({ played = 0, of = 0 }: { played?: number; of?: number }) {
  return (
    <label className="grid gap-1 py-2 text-ink-2">
      {of > 0 ? say('Playing {played} of {of}', { played, of }) : say('Waiting for the hand to rest')}
      <progress className="h-3 w-full accent-(--color-paint)" value={played} max={Math.max(of, 1)} />
    </label>
  );
}

function Told({
  kit,
  told: { verdict, deadEnds },
  onShow,
}: {
  kit: KitDocument;
  told: NonNullable<Played['told']>;
  onShow: (answers: Answers) => void;
}) {
  const { played, of, unseenSteps, unseenItems, leftovers, figuresLookedUp, productsNamed, shortest, longest } =
    verdict;
  const stations = new Map(kit.stations.map((station) => [station.id, station.label]));
  const things = new Map([...kit.removed, ...kit.neighbours].map(({ id, name }) => [id, name]));
  const nameOf = (id: string) =>
    stations.has(id) ? say('station {stations}', { stations: stations.get(id) }) : (things.get(id) ?? id);
  const lineOf = (id: string) => {
    const item = kit.items.find((entry) => entry.id === id);
    return item ? `${item.line} ${item.name}` : id;
  };
  return (
    <div className="grid gap-3 pt-2">
      <p className={`plate text-2xl ${deadEnds.length > 0 ? 'text-bad' : ''}`}>
        {deadEnds.length > 0
          ? say('{count} dead {count, plural, one {end} other {ends}}: not to be released', { count: deadEnds.length })
          : say('Every one is worked to its end')}
      </p>
      <p className="text-sm text-ink-2">
        {played === 1 ? say('1 combination of answers') : say('{played} combinations of answers', { played })}
        {of === undefined || of > played
          ? say(' played of {of}; each answer at least once.', { of: of ?? say('many more') })
          : say(' that make a difference, each played.')}
      </p>
      {deadEnds.map((end) => (
        <div key={`${end.at} ${end.why}`} className="border-l-8 border-bad pl-3">
          <p className="font-bold">{end.at}</p>
          <p>{end.why}</p>
          <p className="text-sm text-ink-2">
            {answersText(kit, end.answers) || say('On every vehicle')}
            {end.combinations > 1 && say(' and {combinations} more', { combinations: end.combinations - 1 })}
          </p>
          <Show onClick={() => onShow(end.answers)}>{say('Play this one')}</Show>
        </div>
      ))}
      {unseenSteps.length > 0 && (
        <Remark title={say('Steps no vehicle has')}>
          {unseenSteps.map((id) => {
            const index = kit.steps.findIndex((step) => step.id === id);
            const step = kit.steps[index];
            return (
              <li key={id}>
                <Link
                  className="inline-flex min-h-9 items-center underline"
                  to={placeAddress(kit.id, `steps[${index}]`) ?? ''}
                >
                  {step?.number ?? index + 1} {step?.text}
                </Link>
              </li>
            );
          })}
        </Remark>
      )}
      {unseenItems.length > 0 && (
        <Remark title={say('Lines no vehicle needs')}>
          {unseenItems.map((id) => (
            <li key={id}>{lineOf(id)}</li>
          ))}
        </Remark>
      )}
      {leftovers.length > 0 && (
        <Remark title={say('Left over otherwise than stated')}>
          {leftovers.map(({ item, left, stated, answers }) => (
            <li key={`${item} ${left}`}>
              {lineOf(item)}: {left}, {stated === undefined ? say('not stated') : say('stated {stated}', { stated })}
              {Object.keys(answers).length > 0 && <span className="text-ink-2"> · {answersText(kit, answers)}</span>}
            </li>
          ))}
        </Remark>
      )}
      {figuresLookedUp.length > 0 && (
        <Remark title={say('Figures the fitter has to look up')}>
          <li>{figuresLookedUp.map(nameOf).join(', ')}</li>
        </Remark>
      )}
      {productsNamed.length > 0 && (
        <Remark title={say('Lockers whose strength a lead has to name')}>
          <li>{productsNamed.join(', ')}</li>
        </Remark>
      )}
      {shortest && longest && (
        <Remark title={say('Time')}>
          <TimeLine
            kit={kit}
            name={shortest === longest || whole(shortest) === whole(longest) ? 'It takes' : 'Quickest'}
            timed={shortest}
            onShow={onShow}
          />
          {whole(longest) > whole(shortest) && <TimeLine kit={kit} name="Longest" timed={longest} onShow={onShow} />}
        </Remark>
      )}
    </div>
  );
}

const whole = ({ workMinutes, waitMinutes }: Timed): number => workMinutes + waitMinutes;

function TimeLine({
  kit,
  name,
  timed,
  onShow,
}: {
  kit: KitDocument;
  name: string;
  timed: Timed;
  onShow: (answers: Answers) => void;
}) {
  const answers = answersText(kit, timed.answers);
  return (
    <li>
      {name} <b className="figures">{minutesText(whole(timed))}</b>
      {timed.waitMinutes > 0 && say(', {minutesText} of it waiting', { minutesText: minutesText(timed.waitMinutes) })}
      {answers && (
        <>
          <span className="block text-sm text-ink-2">{answers}</span>
          <Show onClick={() => onShow(timed.answers)}>{say('Play this one')}</Show>
        </>
      )}
    </li>
  );
}

const Remark = ({ title, children }: { title: string; children: ReactNode }) => (
  <div>
    <h3 className="font-bold">{title}</h3>
    <ul className="text-[15px]">{children}</ul>
  </div>
);

const Show = ({ onClick, children }: { onClick: () => void; children: ReactNode }) => (
  <button type="button" className="min-h-11 underline" onClick={onClick}>
    {children}
  </button>
);
