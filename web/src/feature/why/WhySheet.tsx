import { Link } from 'react-router';
import { WHY_NOTES, WHY_OF } from '#contract/wording/en/why.ts';
import { say } from '#contract/wording/say.ts';
import type { RefusalCode } from '#core/job/refusal.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { WhyNoteView } from './WhyNoteView.tsx';

/** Why something was refused, where it bites. */
export default function WhySheet({ code, onClose }: { code: RefusalCode; onClose: () => void }) {
  const id = WHY_OF[code];
  const note = WHY_NOTES[id];
  return (
    <Sheet open onClose={onClose} title={note.title} wide>
      <WhyNoteView note={note} />
      <p className="mt-4 text-sm text-ink-2">
        {tell('An aid. The kit’s sheet and the vehicle maker’s manual come first. {link}', {
          link: (
            <Link to={`/handbook#${id}`} className="underline">
              {say('All reasons')}
            </Link>
          ),
        })}
      </p>
    </Sheet>
  );
}
