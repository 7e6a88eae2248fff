import { writeDxf, writeSvg } from '#contract/bolt-map-file.ts';
import { say } from '#contract/wording/say.ts';
import type { JointGroup, KitDocument } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { saveFile } from '../../../../shop/save-file.ts';
import { Button } from '../../../../ui/Button.tsx';
import { MapSize } from './MapSize.tsx';
import { FileButton } from './MapTools.tsx';
import { PictureScale } from './PictureScale.tsx';
import type { MapFiles } from './use-map-files.ts';

/** The sheet the map is drawn on: its size, drawings in and out, and a picture to trace. */
export function SheetRow({
  kit,
  group,
  files,
  scaling,
  onScaling,
}: {
  kit: KitDocument;
  group: JointGroup;
  files: MapFiles;
  /** Points pressed to scale the picture by. */
  scaling: Point[] | undefined;
  onScaling: (points: Point[] | undefined) => void;
}) {
  const name = `${kit.id}-${group.id}`;
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
      <MapSize group={group} />
      <div className="flex flex-wrap gap-2">
        <FileButton label={say('Holes from a DXF')} accept=".dxf" onFile={files.readDxf} />
        <Button
          className="min-h-11!"
          onClick={() => saveFile(`${name}.dxf`, 'application/dxf', writeDxf(group, kit.stations))}
          disabled={group.stations.length === 0}
        >
          {say('DXF out')}
        </Button>
        <Button
          className="min-h-11!"
          onClick={() => saveFile(`${name}.svg`, 'image/svg+xml', writeSvg(group, kit.stations))}
        >
          {say('SVG out')}
        </Button>
        <FileButton
          label={say('A picture behind it')}
          accept="image/png,image/jpeg,image/webp,image/svg+xml"
          onFile={files.readPicture}
        />
      </div>
      {files.picture && (
        <PictureScale
          picture={files.picture}
          points={scaling}
          onStart={() => onScaling([])}
          onPicture={(next) => {
            files.setPicture(next);
            onScaling(undefined);
          }}
          onRemove={() => {
            files.setPicture(undefined);
            onScaling(undefined);
          }}
        />
      )}
    </div>
  );
}
