import { Link } from 'react-router';
import { helpOf } from '#contract/wording/en/help.ts';
import { PRACTICE } from '#contract/wording/en/practice.ts';
import { say } from '#contract/wording/say.ts';
import { PRACTICE_JOB, TOUR } from '../practice/practice.ts';
import type { Shortcut } from './shortcut.ts';

const EVERYWHERE: readonly Shortcut[] = [
  { keys: '?', does: say('This help') },
  { keys: 'Esc', does: say('Close what is open') },
];

/** What the screen is for, its words, its reasons and its keys. */
export default function HelpBody({
  path,
  shortcuts,
  onLeave,
}: {
  path: string;
  shortcuts: readonly Shortcut[];
  onLeave: () => void;
}) {
  const { what, first = [], words = [], why = [] } = helpOf(path) ?? { what: '' };
  return (
    <div className="grid gap-5 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div className="grid content-start gap-4">
        {what && <p className="text-lg">{what}</p>}
        {first.length > 0 && (
          <section>
            <h3 className="font-bold">{say('First')}</h3>
            <ol className="list-decimal pl-6">
              {first.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ol>
          </section>
        )}
        {words.length > 0 && (
          <section>
            <h3 className="font-bold">{say('Words')}</h3>
            <dl className="border-t border-rule">
              {words.map(([word, meaning]) => (
                <div key={word} className="grid gap-x-3 border-b border-hair py-1 sm:grid-cols-[9rem_1fr]">
                  <dt className="font-bold">{word}</dt>
                  <dd>{meaning}</dd>
                </div>
              ))}
            </dl>
          </section>
        )}
        <p>
          <Link to="/handbook" className="inline-flex min-h-11 items-center underline" onClick={onLeave}>
            {say('Why it is so: all reasons, to read or print')}
          </Link>
        </p>
        {why.length > 0 && (
          <section>
            <h3 className="font-bold">{say('Why')}</h3>
            <ul className="grid gap-1">
              {why.map((line) => (
                <li key={line} className="border-l-4 border-ink pl-3">
                  {line}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <p className="border-t border-rule pt-3 lg:col-span-2 lg:order-last">
        <Link
          className="inline-flex min-h-11 items-center font-bold underline"
          to={`/jobs/${PRACTICE_JOB}/check-in${TOUR}`}
          onClick={onLeave}
        >
          {PRACTICE.begin}
        </Link>
        . {PRACTICE.tenMinutes}
      </p>
      {/* A phone has none. */}
      <section className="hidden sm:block">
        <h3 className="mb-2 font-bold">{say('Keys to press')}</h3>
        <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
          {[...shortcuts, ...EVERYWHERE].map(({ keys, does }) => (
            <div className="contents" key={keys}>
              <dt className="figures border border-rule px-2 py-1 text-center text-sm">{keys}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </section>
    </div>
  );
}
