import type { ReactNode } from 'react';
import { LineFoot } from './LineFoot.tsx';
import type { LineInHand } from './use-line.ts';

/** How the way on looks, at the thumb. */
export const NOTICE_BAR = 'thumb-bar plate flex min-h-22 items-center bg-paint px-6 text-4xl text-on-paint';

/** In the place of an act: why there is none, in a few sentences, and the way on at the thumb. */
export function LineNotice({ line, children, bar }: { line: LineInHand; children: ReactNode; bar: ReactNode }) {
  return (
    <>
      <main className="flex min-w-0 flex-1 flex-col bg-bench">
        <div className="flex-1 p-6">{children}</div>
        <LineFoot line={line} />
      </main>
      <aside className="order-first flex shrink-0 flex-col border-ink bg-sheet md:order-none md:w-[24rem] lg:w-[430px] md:border-l-2">
        <div className="flex-1" />
        {bar}
      </aside>
    </>
  );
}
