import { END_TEXT } from '#contract/wording/en/terms.ts';
import type { DebtEnd } from '#core/job/debt-kind.ts';
import { Button } from '../../../ui/Button.tsx';

/** Where a removed thing may end. */
export const REMOVED_ENDS: readonly DebtEnd[] = ['refit', 'transfer', 'keep', 'scrap'];

/** Where something ends, as big targets. */
export function EndChoice({
  ends,
  end,
  onChoose,
}: {
  ends: readonly DebtEnd[];
  end: DebtEnd;
  onChoose: (end: DebtEnd) => void;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      {ends.map((one) => (
        <Button
          key={one}
          tone={end === one ? 'dark' : 'plain'}
          aria-pressed={end === one}
          onClick={() => onChoose(one)}
        >
          {END_TEXT[one]}
        </Button>
      ))}
    </div>
  );
}
