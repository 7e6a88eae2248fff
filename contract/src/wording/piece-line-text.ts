import type { PieceLine } from '#core/record/piece-lines.ts';
import { say } from './say.ts';

/** A line of the record about a piece: `G Bump stop, piece 1: number BS 0417`. */
export function pieceLineText(line: PieceLine): string {
  switch (line.kind) {
    case 'serial': {
      const { item, piece, of, serial } = line;
      return say('{line} {name}{which}: number {serial}', {
        line: item.line,
        name: item.name,
        which: of > 1 ? say(', piece {piece}', { piece }) : '',
        serial,
      });
    }
    case 'countedTwice':
      return say('{line} {name}: counted twice, {found}, by {first} and {name2}', {
        line: line.item.line,
        name: line.item.name,
        found: line.found,
        first: line.first,
        name2: line.by.name,
      });
    case 'key':
      return line.to.who === 'vehicle'
        ? say('{name}: put in the vehicle, {name2}', { name: line.name, name2: line.to.name })
        : say('{name}: handed to {name2}{which}', {
            name: line.name,
            name2: line.to.name,
            which: line.to.who === 'owner' ? say(', the owner') : '',
          });
  }
}
