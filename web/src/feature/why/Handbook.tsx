import { Printer } from 'lucide-react';
import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { REFUSALS } from '#contract/wording/en/refusals.ts';
import { WHY_NOTES, WHY_OF, type WhyId } from '#contract/wording/en/why.ts';
import { say } from '#contract/wording/say.ts';
import type { RefusalCode } from '#core/job/refusal.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { WhyNoteView } from './WhyNoteView.tsx';

/** What a note stands behind, in the words of the refusals. */
const behind = (id: WhyId): string[] => [
  ...new Set(
    (Object.keys(WHY_OF) as RefusalCode[])
      .filter((code) => WHY_OF[code] === id)
      // A title that is filled in has its words only where it bites.
      .map((code) => REFUSALS[code].title)
      .filter((title) => !title.includes('{')),
  ),
];

/** All the reasons on one page, to be read through or printed. */
export default function Handbook() {
  const { hash } = useLocation();
  useEffect(() => {
    document.getElementById(hash.slice(1))?.scrollIntoView();
  }, [hash]);
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-sheet px-5 py-5 md:px-10">
        <div className="flex flex-wrap items-end justify-between gap-4 border-b-2 border-ink pb-3">
          <div>
            <h1 className="plate text-4xl">{say('Why it is so')}</h1>
            <p className="max-w-3xl text-ink-2">
              {say(
                'The reasons behind what Wrenchman asks and refuses. An aid: the kit’s sheet, the vehicle maker’s manual and those who are licensed for the work come first.',
              )}
            </p>
          </div>
          <Button className="print:hidden" onClick={() => window.print()}>
            <Printer size={20} aria-hidden="true" className="mr-2 inline" />
            {say('Print')}
          </Button>
        </div>
        {(Object.keys(WHY_NOTES) as WhyId[]).map((id) => (
          <section key={id} id={id} className="max-w-4xl break-inside-avoid border-b border-hair py-5">
            <h2 className="plate mb-2 text-2xl">{WHY_NOTES[id].title}</h2>
            <WhyNoteView note={WHY_NOTES[id]} />
            {behind(id).length > 0 && (
              <p className="mt-2 text-sm text-ink-2">{tell('Behind: {behind}.', { behind: behind(id).join(' · ') })}</p>
            )}
          </section>
        ))}
      </main>
    </div>
  );
}
