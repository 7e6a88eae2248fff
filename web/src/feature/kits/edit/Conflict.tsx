import type { KitDraft } from '#contract/kit-draft.ts';
import { kitChangeText } from '#contract/wording/kit-difference-text.ts';
import { say } from '#contract/wording/say.ts';
import { kitDifference } from '#core/kit/kit-difference.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { shopFormat } from '../../../shop/shop-time.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useEditor } from './editor-store.ts';

/** Two people wrote at once: what differs, and whose stays. Nothing is lost before one of them chooses. */
export function Conflict({ theirs, mine }: { theirs: KitDraft; mine: KitDocument }) {
  const settle = useEditor((state) => state.settle);
  const changes = kitDifference(theirs.document, mine);
  return (
    <Sheet
      open
      wide
      onClose={() => undefined}
      title={say('Someone else saved this draft')}
      description={say('{changedBy}, {shopFormat}. Yours differs from theirs in:', {
        changedBy: theirs.changedBy,
        shopFormat: shopFormat(theirs.changedAtMs, 'HH:mm'),
      })}
    >
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls is reached by keyboard */}
      <ul className="max-h-72 overflow-y-auto border-y border-rule" tabIndex={0}>
        {changes.map((change) => {
          const text = kitChangeText(change);
          return (
            <li key={text} className="border-b border-hair px-2 py-1.5">
              {text}
            </li>
          );
        })}
        {changes.length === 0 && <li className="px-2 py-1.5">{say('nothing that is shown')}</li>}
      </ul>
      <div className="mt-4 grid grid-cols-2 gap-2">
        <Button onClick={() => void settle('theirs')}>{say('Take theirs, drop mine')}</Button>
        <Button tone="primary" onClick={() => void settle('mine')}>
          {say('Save mine over theirs')}
        </Button>
      </div>
    </Sheet>
  );
}
