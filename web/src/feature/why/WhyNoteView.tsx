import type { WhyNote } from '#contract/wording/en/why.ts';
import { WhyDrawing } from './WhyDrawing.tsx';

/** A note with its picture: why, one thing to do, and where it comes from. */
export function WhyNoteView({ note }: { note: WhyNote }) {
  return (
    <div className="flex flex-col gap-x-6 gap-y-3 sm:flex-row">
      <WhyDrawing picture={note.picture} />
      <div className="min-w-0 flex-1">
        <p className="text-lg">{note.why}</p>
        <p className="mt-2 border-l-4 border-paint pl-3 font-bold">{note.next}</p>
        <p className="mt-2 text-sm text-ink-2">{note.source}</p>
      </div>
    </div>
  );
}
