import type { ChangeEvent } from 'react';
import { useState } from 'react';
import { drawingFaultText, readHoles } from '#contract/bolt-map-file.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { JointGroup, Station } from '#core/kit/kit-document.ts';
import type { MapBox } from '#core/kit/map-box.ts';
import { useEditor } from '../editor-store.ts';
import { addStations, moveStations, widenFor } from './map-stations.ts';
import type { Picture } from './PictureScale.tsx';
import { readPictureFile } from './read-picture.ts';

/** A larger picture is none of a sheet. */
const MOST_BYTES = 15 * 1024 * 1024;

export interface MapFiles {
  /** What came of the last file. */
  message?: string;
  seen: () => void;
  picture?: Picture;
  setPicture: (picture: Picture | undefined) => void;
  readDxf: (event: ChangeEvent<HTMLInputElement>) => Promise<void>;
  readPicture: (event: ChangeEvent<HTMLInputElement>) => void;
}

/** Drawings and pictures that a map is made from. */
export function useMapFiles(group: JointGroup, stations: readonly Station[], box: MapBox, like?: Station): MapFiles {
  const change = useEditor((state) => state.change);
  const [message, setMessage] = useState<string>();
  const [picture, setPicture] = useState<Picture>();
  return {
    message,
    seen: () => setMessage(undefined),
    picture,
    setPicture,
    async readDxf(event) {
      const file = event.target.files?.[0];
      event.target.value = '';
      if (!file) return;
      const read = readHoles(await file.text());
      if (!read.ok) {
        setMessage(drawingFaultText(read.error));
        return;
      }
      const holes = read.value;
      change((draft) => {
        // As many holes as stations: the stations are put on them in their order; else new stations are made.
        if (holes.length === stations.length)
          moveStations(
            draft,
            stations.map(({ id }, index) => ({ id, xMm: holes[index]?.xMm ?? 0, yMm: holes[index]?.yMm ?? 0 })),
          );
        else addStations(draft, group.id, holes, like);
        widenFor(draft, group.id, holes);
      });
      setMessage(say('{numberOf} taken from {name}.', { numberOf: numberOf(holes.length, 'hole'), name: file.name }));
    },
    readPicture(event) {
      const file = event.target.files?.[0];
      event.target.value = '';
      if (!file) return;
      if (!/^image\/(png|jpeg|svg\+xml|webp)$/.test(file.type) || file.size > MOST_BYTES) {
        setMessage(say('{name} is not a PNG, JPEG, WebP or SVG picture of at most 15 MB.', { name: file.name }));
        return;
      }
      readPictureFile(file).then(
        ({ address, widthPx, heightPx }) => {
          setPicture({ address, widthPx, heightPx, mmPerPixel: box.widthMm / widthPx, xMm: box.left, yMm: box.top });
          setMessage(
            say(
              'The picture lies under the map. Scale it by two points. It stays on this screen and is not part of the kit.',
            ),
          );
        },
        () => setMessage(say('{name} cannot be shown as a picture.', { name: file.name })),
      );
    },
  };
}
