import { Link } from 'react-router';
import { say } from '#contract/wording/say.ts';
import type { Need } from './needs.ts';

/** The list at the right of the bays, most pressing first. */
export function NeedsHand({ needs, loaded }: { needs: readonly Need[]; loaded: boolean }) {
  if (!loaded) return <p className="py-4 text-ink-2">{say('Reading.')}</p>;
  if (needs.length === 0) return <p className="py-4 text-ink-2">{say('Nothing waits for anybody.')}</p>;
  return (
    <ul>
      {needs.map((need) => {
        const content = (
          <>
            <span className={`figures w-20 shrink-0 text-xl font-bold ${need.pressing ? 'text-bad' : ''}`}>
              {need.mark}
            </span>
            <span>
              <b className="block text-lg leading-snug">{need.title}</b>
              <span className="text-sm text-ink-2">{need.detail}</span>
            </span>
          </>
        );
        return (
          <li key={need.key} className="border-b border-rule">
            {need.to ? (
              <Link className="flex min-h-14 gap-3 py-3" to={need.to}>
                {content}
              </Link>
            ) : (
              <div className="flex min-h-14 gap-3 py-3">{content}</div>
            )}
          </li>
        );
      })}
    </ul>
  );
}
