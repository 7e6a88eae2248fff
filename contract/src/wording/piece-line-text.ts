import type { PieceLine } from '#core/record/piece-lines.ts';

/** A line of the record about a piece: `G Bump stop, piece 1: number BS 0417`. */
export function pieceLineText(line: PieceLine): string {
  switch (line.kind) {
    case 'serial': {
      const { item, piece, of, serial } = line;
      return `${item.line} ${item.name}${of > 1 ? `, piece ${piece}` : ''}: number ${serial}`;
    }
    case 'countedTwice':
      return `${line.item.line} ${line.item.name}: counted twice, ${line.found}, by ${line.first} and ${line.by.name}`;
    case 'key':
      return line.to.who === 'vehicle'
        ? `${line.name}: put in the vehicle, ${line.to.name}`
        : `${line.name}: handed to ${line.to.name}${line.to.who === 'owner' ? ', the owner' : ''}`;
  }
}
