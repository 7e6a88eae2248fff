import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { LineAct } from '#core/line/line.ts';
import { kitPictureUrl } from '../../../shop/kit-pictures.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

/** The sheet's own figure for an act, small in the corner of the picture; a tap shows it large, with its page. */
export function SheetFigure({ plan, act }: { plan: Plan; act: LineAct }) {
  const [large, setLarge] = useState(false);
  const [page, setPage] = useState(false);
  const [missing, setMissing] = useState(false);
  const figure = plan.figures.find(({ id }) => id === act.action.figure);
  if (!figure) return null;
  return (
    <>
      <button
        type="button"
        className="absolute right-3 bottom-3 max-h-[45%] max-w-[45%] border-2 border-ink bg-sheet p-1 text-left text-sm"
        onClick={() => setLarge(true)}
      >
        {missing ? (
          <span className="block p-2">{say('Its picture is not on this device yet.')}</span>
        ) : (
          <img
            src={kitPictureUrl(figure.picture)}
            alt={say('Sheet: {name}', { name: figure.name })}
            className="max-h-44 max-w-full object-contain"
            onError={() => setMissing(true)}
            onLoad={() => setMissing(false)}
          />
        )}
        <span className="block px-1">{figure.name}</span>
      </button>
      <Sheet open={large} onClose={() => setLarge(false)} title={figure.name} wide>
        <img
          src={kitPictureUrl(page && figure.page ? figure.page : figure.picture)}
          alt={page ? say('Page of {name}', { name: figure.name }) : figure.name}
          className="max-h-[70dvh] w-full object-contain"
        />
        <div className="mt-3 grid grid-cols-2 gap-2">
          {figure.page ? (
            <Button aria-pressed={page} onClick={() => setPage(!page)}>
              {page ? say('The figure alone') : say('The whole page')}
            </Button>
          ) : (
            <span />
          )}
          <Button tone="dark" onClick={() => setLarge(false)}>
            {say('Back to the work')}
          </Button>
        </div>
      </Sheet>
    </>
  );
}
