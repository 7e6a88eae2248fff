import { classText } from '#contract/wording/class-text.ts';
import { HEAD_TEXT, NUT_TEXT } from '#contract/wording/en/terms.ts';
import { formBeside } from '#contract/wording/form-text.ts';
import { say } from '#contract/wording/say.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { inTheBox } from '#core/kit/put-on.ts';
import { HardwareDrawing } from '../../drawing/HardwareDrawing.tsx';
import { tell } from '../../ui/tell.ts';

/** Pieces drawn beside each other at most. */
const DRAWN = 4;

/** Drawn once, however many there are: what is long, or has no shape of its own. */
const DRAWN_ONCE: ReadonlySet<PlanItem['kind']> = new Set([
  'bolt',
  'part',
  'pin',
  'compound',
  'stud',
  'coupler',
  'insert',
  'clamp',
]);

/** What stands of a line: not counted, short, damaged, more or fewer than the sheet says. */
function standingOf({
  item,
  found,
  damaged,
  fromStock,
  typed,
  selected,
}: Pick<CountedLineProps, 'item' | 'found' | 'damaged' | 'fromStock' | 'typed' | 'selected'>) {
  const good = (found ?? 0) - damaged + fromStock;
  const short = found === undefined ? 0 : Math.max(0, item.needed - good);
  if (found === undefined)
    return inTheBox(item)
      ? {
          short,
          text: selected && typed === '' ? say('Counting') : say('Not counted'),
          dress: selected ? 'bg-paint text-on-paint border-paint' : 'border-rule text-ink-2',
        }
      : { short, text: say('When in hand'), dress: 'border-rule text-ink-2' };
  if (short > 0) return { short, text: say('{short} short', { short }), dress: 'border-bad text-bad bg-sheet' };
  if (damaged > 0) return { short, text: say('{damaged} damaged', { damaged }), dress: 'border-bad text-bad bg-sheet' };
  if (found > item.quantity)
    return { short, text: say('{found} over', { found: found - item.quantity }), dress: 'border-ink bg-sheet' };
  if (found < item.quantity)
    return {
      short,
      text: say('{quantity} fewer, enough', { quantity: item.quantity - found }),
      dress: 'border-ink bg-sheet',
    };
  return { short, text: say('All here'), dress: 'bg-plate text-on-plate border-plate' };
}

interface CountedLineProps {
  item: PlanItem;
  selected: boolean;
  typed: string;
  found?: number;
  damaged: number;
  fromStock: number;
  /** Lines it may be taken for, by their numbers. */
  alike: readonly string[];
  pxPerMm: number;
  refer: (element: HTMLLIElement | null) => void;
  onSelect: () => void;
  onAll: () => void;
}

/** One line of the packing list: what it is, drawn, how many there should be and how many there are. */
export function CountedLine(props: CountedLineProps) {
  const { item, selected, typed, found, alike, pxPerMm, refer, onSelect, onAll } = props;
  const { short, text, dress } = standingOf(props);
  const pieces = DRAWN_ONCE.has(item.kind) ? 1 : Math.min(DRAWN, item.quantity);
  const handed = [item.side, item.mark && say('stamped {mark}', { mark: item.mark })].filter(Boolean).join(', ');
  return (
    <li
      ref={refer}
      className={`flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2 ${selected ? 'bg-sheet shadow-[inset_6px_0_0_#ffd21f]' : ''}`}
    >
      <button
        type="button"
        className="flex min-h-16 min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-1 px-3 text-left"
        aria-pressed={selected}
        onClick={onSelect}
      >
        <span className="w-52 shrink-0">
          <span className="block font-bold">
            <span className="text-ink-2">{item.line}</span> {item.name}
          </span>
          <span className="block text-sm text-ink-2">
            {[
              item.kind !== 'part' && formBeside(item.name, item.form),
              item.propertyClass && classText(item.propertyClass),
              item.head && item.head !== 'none' && (item.kind === 'nut' ? NUT_TEXT : HEAD_TEXT)[item.head],
              item.finish,
            ]
              .filter(Boolean)
              .join(', ')}
          </span>
          {handed && <span className="block text-sm font-bold">{handed}</span>}
          {item.facing && <span className="block text-sm">{item.facing}</span>}
          {alike.length > 0 && (
            <span className="block text-sm font-bold">{tell('looks like {alike}', { alike: alike.join(', ') })}</span>
          )}
        </span>
        <span className="flex min-w-0 flex-wrap items-center gap-2 overflow-hidden">
          {Array.from({ length: pieces }, (_, index) => index).map((index) => (
            <HardwareDrawing
              key={index}
              item={item}
              pxPerMm={pxPerMm}
              missing={
                found !== undefined &&
                short > 0 &&
                // Drawn once for several, it is gone only when none is left.
                (pieces === 1 ? short >= item.needed : index >= pieces - Math.min(pieces, short))
              }
            />
          ))}
          {pieces < item.quantity && pieces > 1 && (
            <span className="figures text-sm text-ink-2">
              {tell('and {quantity} more', { quantity: item.quantity - pieces })}
            </span>
          )}
        </span>
      </button>
      <span className="figures w-24 text-right">
        <b className="text-3xl">{typed || (found ?? '–')}</b> <span className="text-ink-2">/ {item.quantity}</span>
      </span>
      <button
        type="button"
        onClick={onAll}
        aria-label={say('{line}: {text}. Press when all {quantity} are here', {
          line: item.line,
          text,
          quantity: item.quantity,
        })}
        className={`plate relative min-h-12 w-32 border-2 px-2 text-lg ${dress}`}
      >
        {text}
        {text === 'All here' && (
          <span aria-hidden="true" className="absolute -top-1.5 right-1 h-1.5 w-6 -rotate-35 bg-paint" />
        )}
      </button>
    </li>
  );
}
