import { useHotkeys } from 'react-hotkeys-hook';
import { say } from '#contract/wording/say.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Asks for the stamp that is on the piece in the hand: read off it, and not assumed. */
export function StampSheet({
  item,
  stamps,
  onRead,
  onClose,
}: {
  item: PlanItem | undefined;
  stamps: readonly string[];
  onRead: (stamp: string) => void;
  onClose: () => void;
}) {
  return (
    <Sheet
      open={item !== undefined}
      onClose={onClose}
      title={say('What is stamped on it? {line} {name}', { line: item?.line ?? '', name: item?.name ?? '' })}
      description={say('Others of this visit look the same but for their stamp.')}
    >
      {item && <Stamps stamps={stamps} onRead={onRead} onClose={onClose} />}
    </Sheet>
  );
}

function Stamps({
  stamps,
  onRead,
  onClose,
}: {
  stamps: readonly string[];
  onRead: (stamp: string) => void;
  onClose: () => void;
}) {
  useHotkeys(
    '1,2,3,4,5,6,7,8,9',
    (_, { keys }) => {
      const stamp = stamps[Number(keys?.[0]) - 1];
      if (stamp) onRead(stamp);
    },
    { useKey: true },
  );
  return (
    <div className="grid gap-2">
      {/* First in order, so that a second press of the same key answers nothing. */}
      <Button className="order-last" onClick={onClose}>
        {say('None of these, or it cannot be read: leave it uncounted')}
      </Button>
      <div className="grid grid-cols-2 gap-2">
        {stamps.map((stamp, index) => (
          <Button key={stamp} hotkey={String(index + 1)} className="min-h-20! text-3xl" onClick={() => onRead(stamp)}>
            {stamp}
          </Button>
        ))}
      </div>
    </div>
  );
}
