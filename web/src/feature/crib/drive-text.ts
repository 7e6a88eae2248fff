import { say } from '#contract/wording/say.ts';
import type { CribTool, CribToolKind } from '#core/crib/crib-tool.ts';
import { type DriveSize, describeDrive } from '#core/fastener/drive.ts';
import { showInchFraction } from '#core/quantity/display.ts';

export const TOOL_KIND: Record<CribToolKind, string> = {
  socket: say('Socket'),
  bit: say('Bit'),
  spanner: say('Spanner'),
  crowfoot: say('Crow-foot'),
  special: say('Special tool'),
};

/** The size on its own, big on a peg: 16, 3/4 in, T40. */
export function sizeText(drive: DriveSize | undefined): string {
  switch (drive?.kind) {
    case 'hex':
    case 'hexKey':
      return drive.inch ? showInchFraction(drive.acrossFlatsMm) : String(drive.acrossFlatsMm);
    case 'twelvePoint':
      return String(drive.acrossFlatsMm);
    case 'sixLobe':
      return drive.size;
    default:
      return '';
  }
}

/** Everything a search may find a tool by. */
export const searchText = (tool: CribTool): string =>
  [tool.name, TOOL_KIND[tool.kind], tool.squareDrive, tool.place, tool.drive && describeDrive(tool.drive)]
    .filter(Boolean)
    .join(' ')
    .toLowerCase();
