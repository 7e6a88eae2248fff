import { classText } from '#contract/wording/class-text.ts';
import { formBeside } from '#contract/wording/form-text.ts';
import { differenceText, mixedUpText } from '#contract/wording/look-alike-text.ts';
import { say } from '#contract/wording/say.ts';
import type { LookAlike } from '#core/kit/look-alike.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { HardwareDrawing, isLifeSize, lacksForDrawing } from '../../drawing/HardwareDrawing.tsx';
import { CheckRuler, HeadFront } from '../../drawing/HeadFront.tsx';
import { WasherSide } from '../../drawing/piece/washer.tsx';
import { tell } from '../../ui/tell.ts';

/** All that a piece is known by. */
export function PieceFacts({ item }: { item: PlanItem }) {
  const facts = [
    formBeside(item.name, item.form),
    item.thread &&
      say('thread {replaceAll}{which}', {
        replaceAll: item.thread.replaceAll('x', '×'),
        which: item.leftHand ? say(', left-hand') : '',
      }),
    item.lengthMm && item.kind !== 'part' && say('{lengthMm} mm long', { lengthMm: item.lengthMm }),
    item.propertyClass && classText(item.propertyClass),
    item.finish,
    item.acrossFlatsMm &&
      item.kind !== 'part' &&
      say('{acrossFlatsMm} mm across flats', { acrossFlatsMm: item.acrossFlatsMm }),
    item.insideMm &&
      item.outsideMm &&
      `${item.insideMm} inside, ${item.outsideMm} outside, ${item.thicknessMm ?? '?'} thick`,
    item.locking && (item.locking === 'nylon' ? say('nylon ring') : say('grips by its own thread')),
    item.singleUse && say('use once'),
  ].filter(Boolean);
  return (
    <>
      <HandedFacts item={item} />
      {facts.length > 0 && <p className="mt-1 text-ink-2">{facts.join(' · ')}</p>}
    </>
  );
}

/** A piece from the side and from the front at true size, with a ruler to check the screen by. */
export function PieceViews({ item, pxPerMm }: { item: PlanItem; pxPerMm: number }) {
  if (item.kind === 'compound' || lacksForDrawing(item)) return null;
  return (
    <div className="mt-3 grid gap-2 overflow-x-auto">
      <div className="flex flex-wrap items-center gap-4">
        {(item.kind !== 'nut' || item.form) && <HardwareDrawing item={item} pxPerMm={pxPerMm} />}
        {!item.form && <HeadFront item={item} pxPerMm={pxPerMm} />}
        <WasherSide item={item} pxPerMm={pxPerMm} />
      </div>
      {/* Beside a smaller drawing a ruler would be read off wrong. */}
      {isLifeSize(item) && <CheckRuler pxPerMm={pxPerMm} />}
    </div>
  );
}

/** Which side, which stamp, which way round: read off the part itself, from the driver's seat. */
function HandedFacts({ item }: { item: PlanItem }) {
  const rows = [
    [say('For the'), item.side, say(', from the driver’s seat')],
    [say('Stamped'), item.mark, ''],
    [say('Way round'), item.facing, ''],
    [say('In it'), item.insert, ''],
    [say('Before it goes on'), item.treatment, ''],
  ].flatMap(([name, value, after]) => (value ? [{ name, value, after }] : []));
  if (rows.length === 0) return null;
  return (
    <dl className="mt-2 border-l-4 border-ink pl-3">
      {rows.map(({ name, value, after }) => (
        <div key={name} className="flex gap-2">
          <dt className="text-ink-2">{name}</dt>
          <dd>
            <b>{value}</b>
            {after}
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** What this piece may be taken for, what tells them apart, and what comes of mixing them up. */
export function LookAlikes({ alikes }: { alikes: ReadonlyArray<LookAlike<PlanItem>> }) {
  if (alikes.length === 0) return null;
  return (
    <section aria-label={say('Looks like')} className="mt-3 border-2 border-ink p-3">
      <h3 className="font-bold">{say('Do not take for it')}</h3>
      <ul>
        {alikes.map(({ piece, differs }) => (
          <li key={piece.id} className="mt-1">
            <b>
              {piece.line} {piece.name}
            </b>
            {/* The other's own figures stand with the other. */}
            <span className="block">
              {tell('This one: {differs}.', { differs: differs.map(differenceText).join('; ') })}
            </span>
            {differs.slice(0, 1).map((difference) => {
              const text = mixedUpText(difference);
              return (
                text && (
                  <span key={difference.what} className="block text-sm text-ink-2">
                    {text}
                  </span>
                )
              );
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}
