import { lazy, Suspense, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { kitPictureUrl } from '../../../shop/kit-pictures.ts';
import { tell } from '../../../ui/tell.ts';
import { freshId, useEditor } from './editor-store.ts';
import { LOOK } from './look.ts';

const FigureDialog = lazy(() => import('./FigureDialog.tsx'));

/** The figure of the sheet that is shown while an action is done. */
export function FigureField({
  kit,
  figure,
  what,
  onFigure,
}: {
  kit: KitDocument;
  figure?: string;
  /** The action, for the field's name. */
  what: string;
  onFigure: (id: string | undefined) => void;
}) {
  const change = useEditor((state) => state.change);
  const [cutting, setCutting] = useState(false);
  const figures = kit.figures ?? [];
  const shown = figures.find(({ id }) => id === figure);
  return (
    <div className="flex w-full flex-wrap items-end gap-3">
      <label className="text-sm text-ink-2">
        {say('Figure of the sheet')}
        <select
          aria-label={say('{what}: figure of the sheet', { what })}
          className={`block ${LOOK}`}
          value={figure ?? ''}
          onChange={(event) => {
            if (event.target.value === '+') setCutting(true);
            else onFigure(event.target.value || undefined);
          }}
        >
          <option value="">{say('none')}</option>
          {figure !== undefined && !shown && <option value={figure}>{tell('{figure}, not there', { figure })}</option>}
          {figures.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          <option value="+">{say('Cut one out…')}</option>
        </select>
      </label>
      {shown && (
        <img src={kitPictureUrl(shown.picture)} alt={shown.name} className="h-20 border border-rule object-contain" />
      )}
      {cutting && (
        <Suspense fallback={null}>
          <FigureDialog
            onClose={() => setCutting(false)}
            onFigure={(made) => {
              const id = freshId(figures, 'figure');
              change((draft) => {
                draft.figures = [...(draft.figures ?? []), { id, ...made }];
              });
              onFigure(id);
              setCutting(false);
            }}
          />
        </Suspense>
      )}
    </div>
  );
}
