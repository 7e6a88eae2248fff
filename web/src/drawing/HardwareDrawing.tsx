import { say } from '#contract/wording/say.ts';
import type { ItemKind, PieceForm } from '#core/kit/piece-kind.ts';
import { tell } from '../ui/tell.ts';
import { hardwareShape } from './hardware-shape.ts';
import { banjo, bolt, stud, uBolt } from './piece/bolt.tsx';
import { springBand, tBoltClamp, vBand, wormClamp } from './piece/clamp.tsx';
import { blindRivet, circlip, clip, grommet, pClip, pushIn, tie } from './piece/clip.tsx';
import { compound } from './piece/compound.tsx';
import type { Drawn, DrawnItem, SizedItem } from './piece/drawn.ts';
import { barrel, capNut, clipNut, coupler, nut, nutPlate, rivetNut, weld } from './piece/nut.tsx';
import { part } from './piece/part.tsx';
import { clevisPin, rClip, smoothPin, splitPin } from './piece/pin.tsx';
import {
  coilInsert,
  collar,
  conicalWasher,
  insert,
  lockWasher,
  slideIn,
  squareWasher,
  starWasher,
  washer,
} from './piece/washer.tsx';

/** How each kind is drawn; a form that is drawn in its own way stands beside it. */
const KINDS: Record<ItemKind, { plain: Drawn; forms?: Partial<Record<PieceForm, Drawn>> }> = {
  bolt: { plain: bolt, forms: { uBolt, banjo } },
  stud: { plain: stud },
  nut: {
    plain: nut,
    forms: { barrel, weld, clip: clipNut, rivet: rivetNut, plate: nutPlate, cap: capNut },
  },
  coupler: { plain: coupler },
  washer: {
    plain: washer,
    forms: { lock: lockWasher, star: starWasher, conical: conicalWasher, square: squareWasher },
  },
  collar: { plain: collar },
  insert: { plain: insert, forms: { coil: coilInsert, slideIn } },
  pin: { plain: splitPin, forms: { rClip, dowel: smoothPin, roll: smoothPin, clevis: clevisPin } },
  clip: {
    plain: clip,
    forms: { circlipOutside: circlip, circlipInside: circlip, pushIn, pClip, tie, blindRivet, grommet },
  },
  clamp: { plain: wormClamp, forms: { tBolt: tBoltClamp, vBand, springBand } },
  part: { plain: part },
  compound: { plain: compound },
};

const drawnAs = ({ kind, form }: Pick<SizedItem, 'kind' | 'form'>): Drawn => {
  const { plain, forms } = KINDS[kind];
  return (form && forms?.[form]) ?? plain;
};

/** What the data lacks for the piece to be drawn as it is; undefined where nothing does. */
export const lacksForDrawing = (item: SizedItem): string | undefined => drawnAs(item).lacks(item);

/** Widest life-size drawing in a list, mm; anything longer is drawn smaller and says so. */
const WIDEST_MM = 78;

/** How many times smaller than life a drawing has to be. */
function shrinkOf(item: DrawnItem): number {
  const { left, right, half } = drawnAs(item).box(item, hardwareShape(item));
  return Math.max(1, Math.ceil((right - left) / WIDEST_MM), Math.ceil((2 * half) / WIDEST_MM));
}

/** Whether a piece is drawn as large as it is. */
export const isLifeSize = (item: DrawnItem): boolean => lacksForDrawing(item) === undefined && shrinkOf(item) === 1;

/**
 * One piece of hardware, drawn from its data at true size: lay the real one on the glass and compare.
 * `missing` draws it dashed.
 */
export function HardwareDrawing({
  item,
  pxPerMm,
  missing = false,
}: {
  item: DrawnItem;
  pxPerMm: number;
  missing?: boolean;
}) {
  const { lacks: lacking, box, Draw } = drawnAs(item);
  const lacks = lacking(item);
  if (lacks) return <span className="text-sm text-ink-2">{tell('not drawn: {lacks} not given', { lacks })}</span>;
  const shape = hardwareShape(item);
  const { left, right, half } = box(item, shape);
  const widthMm = right - left;
  const shrink = shrinkOf(item);
  const scale = pxPerMm / shrink;
  return (
    <span className="inline-flex items-center gap-2">
      <svg
        width={widthMm * scale}
        height={2 * half * scale}
        viewBox={`${left} ${-half} ${widthMm} ${2 * half}`}
        role="img"
        aria-label={say('{name}, drawn {which}', {
          name: item.name,
          which: shrink === 1 ? say('at true size') : say('1 to {shrink}', { shrink }),
        })}
        opacity={missing ? 0.35 : 1}
        className="shrink-0"
      >
        <Draw item={item} shape={shape} />
      </svg>
      {shrink > 1 && <span className="figures text-xs text-ink-2">1:{shrink}</span>}
    </span>
  );
}
