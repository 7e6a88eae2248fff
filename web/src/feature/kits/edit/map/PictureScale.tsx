import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { placePicture } from '#core/geometry/layout.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { Button } from '../../../../ui/Button.tsx';
import { tell } from '../../../../ui/tell.ts';
import { LOOK } from '../look.ts';
import { typedMm } from '../typed-mm.ts';

/** Scales a backing picture by two points whose places are known. */
export function PictureScale({
  picture,
  points,
  onStart,
  onPicture,
  onRemove,
}: {
  picture: Picture;
  points: Point[] | undefined;
  onStart: () => void;
  onPicture: (picture: Picture) => void;
  onRemove: () => void;
}) {
  const [distance, setDistance] = useState('');
  const [fault, setFault] = useState<string>();
  const [first, second] = points ?? [];
  const apply = () => {
    const mm = typedMm(distance);
    if (!first || !second || !(mm > 0)) return setFault(say('Give the true distance of the two points.'));
    const pixel = (point: Point): Point => ({
      xMm: (point.xMm - picture.xMm) / picture.mmPerPixel,
      yMm: (point.yMm - picture.yMm) / picture.mmPerPixel,
    });
    const drawn = Math.hypot(second.xMm - first.xMm, second.yMm - first.yMm);
    const share = mm / drawn;
    // The first point stays where it is, the second comes to its true distance.
    const placed = placePicture(
      { pixel: pixel(first), map: first },
      {
        pixel: pixel(second),
        map: { xMm: first.xMm + (second.xMm - first.xMm) * share, yMm: first.yMm + (second.yMm - first.yMm) * share },
      },
    );
    if (!placed) return setFault(say('The two points lie on one another.'));
    setFault(undefined);
    return onPicture({ ...picture, ...placed });
  };
  return (
    <div className="grid gap-2 border-2 border-rule p-2">
      {!points && (
        <Button className="min-h-11!" onClick={onStart}>
          {say('Scale by two points')}
        </Button>
      )}
      {points && points.length < 2 && (
        <p className="text-sm font-bold">
          {tell('Press {which} point on the map.', {
            which: points.length === 0 ? say('the first') : say('the second'),
          })}
        </p>
      )}
      {points && points.length >= 2 && (
        <div className="grid gap-2">
          <label className="text-sm text-ink-2">
            {say('True distance, mm or in')}
            <input
              className={`figures w-full ${LOOK}`}
              value={distance}
              onChange={(event) => setDistance(event.target.value)}
            />
          </label>
          {fault && (
            <p role="alert" className="text-sm font-bold text-bad">
              {fault}
            </p>
          )}
          <Button className="min-h-11!" onClick={apply}>
            {say('Scale the picture')}
          </Button>
        </div>
      )}
      <button type="button" className="min-h-11 text-sm underline" onClick={onRemove}>
        {say('Take the picture away')}
      </button>
    </div>
  );
}

export interface Picture {
  address: string;
  widthPx: number;
  heightPx: number;
  mmPerPixel: number;
  xMm: number;
  yMm: number;
}
