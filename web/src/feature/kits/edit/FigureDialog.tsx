import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { failureText } from '../../../shop/failure-text.ts';
import { sendKitPicture } from '../../../shop/kit-pictures.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { LOOK } from './look.ts';
import { type Cut, cutBetween, cutOut, drawPage, type SheetPage, WHOLE_PAGE } from './sheet-page.ts';

/** Cuts a figure out of a page of the sheet: a picture or a PDF, a rectangle drawn with the finger, a name. */
export default function FigureDialog({
  onClose,
  onFigure,
}: {
  onClose: () => void;
  onFigure: (figure: { name: string; picture: string; page?: string }) => void;
}) {
  const [file, setFile] = useState<File>();
  const [number, setNumber] = useState(1);
  const [page, setPage] = useState<SheetPage>();
  const [cut, setCut] = useState<Cut>(WHOLE_PAGE);
  const [name, setName] = useState('');
  const [failure, setFailure] = useState<string>();
  const [busy, setBusy] = useState(false);
  const stage = useRef<HTMLDivElement>(null);
  const corner = useRef<{ x: number; y: number }>(undefined);

  useEffect(() => {
    if (!file) return undefined;
    let current = true;
    setBusy(true);
    setFailure(undefined);
    drawPage(file, number)
      .then((drawn) => {
        if (!current) return;
        setPage(drawn);
        setCut(WHOLE_PAGE);
      })
      .catch((error: unknown) => current && setFailure(error instanceof Error ? error.message : String(error)))
      .finally(() => current && setBusy(false));
    return () => {
      current = false;
    };
  }, [file, number]);
  useEffect(() => {
    if (page) stage.current?.querySelector('[data-page]')?.replaceChildren(page.canvas);
  }, [page]);

  const at = (event: PointerEvent<HTMLDivElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  const whole = cut.width === 1 && cut.height === 1;
  const save = async () => {
    if (!page) return;
    setBusy(true);
    setFailure(undefined);
    try {
      const picture = await sendKitPicture(await cutOut(page.canvas, cut));
      // The page it was cut from stays with it, so that what stands beside the figure can be read.
      const pageOf = whole ? undefined : await sendKitPicture(await cutOut(page.canvas, WHOLE_PAGE));
      onFigure({ name: name.trim(), picture, ...(pageOf ? { page: pageOf } : {}) });
    } catch (error) {
      setFailure(error instanceof Error ? error.message : failureText(error));
      setBusy(false);
    }
  };
  return (
    <Sheet open onClose={onClose} title={say('A figure of the sheet')} wide>
      <div className="grid gap-3">
        <label className="grid gap-1">
          <span className="text-sm text-ink-2">{say('Page: a picture, or the sheet as PDF')}</span>
          <input
            type="file"
            className="file:mr-3 file:min-h-11 file:border-2 file:border-ink file:bg-sheet file:px-4 file:font-bold"
            accept="image/*,application/pdf,.pdf"
            onChange={(event) => {
              setNumber(1);
              setPage(undefined);
              setFile(event.target.files?.[0]);
            }}
          />
        </label>
        {failure && (
          <p role="alert" className="border-l-4 border-bad pl-3 text-bad">
            {failure}
          </p>
        )}
        {busy && !page && <p className="text-ink-2">{say('Drawing the page.')}</p>}
        {page && page.pages > 1 && (
          <label className="text-sm text-ink-2">
            {say('Page')}{' '}
            <select className={LOOK} value={number} onChange={(event) => setNumber(Number(event.target.value))}>
              {Array.from({ length: page.pages }, (_, index) => index + 1).map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>{' '}
            {tell('of {pages}', { pages: page.pages })}
          </label>
        )}
        {page && (
          <>
            <p className="text-sm text-ink-2">
              {say('Draw a rectangle round the figure; a tap takes the whole page.')}
            </p>
            <div
              ref={stage}
              className="relative max-h-[50dvh] touch-none overflow-hidden border-2 border-ink select-none"
              style={{ aspectRatio: `${page.canvas.width} / ${page.canvas.height}` }}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                corner.current = at(event);
              }}
              onPointerMove={(event) => corner.current && setCut(cutBetween(corner.current, at(event)))}
              onPointerUp={(event) => {
                if (corner.current) setCut(cutBetween(corner.current, at(event)));
                corner.current = undefined;
              }}
            >
              <div data-page="" className="[&>canvas]:h-full [&>canvas]:w-full" />
              {!whole && (
                <div
                  aria-hidden="true"
                  className="absolute border-3 border-paint outline-2 outline-ink"
                  style={{
                    left: `${cut.x * 100}%`,
                    top: `${cut.y * 100}%`,
                    width: `${cut.width * 100}%`,
                    height: `${cut.height * 100}%`,
                  }}
                />
              )}
            </div>
          </>
        )}
        <label className="grid gap-1">
          <span className="text-sm text-ink-2">{say('Called')}</span>
          <input
            className={LOOK}
            placeholder={say('Figure 3')}
            maxLength={120}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button tone="primary" disabled={!page || busy || name.trim() === ''} onClick={() => void save()}>
            {busy && page ? say('Keeping it') : say('Pin it here')}
          </Button>
        </div>
      </div>
    </Sheet>
  );
}
