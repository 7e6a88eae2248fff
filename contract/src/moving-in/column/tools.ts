import type { CribToolKind } from '#core/crib/crib-tool.ts';
import { gripped, oneOf } from '../cell.ts';
import { type BookTable, type Column, needed, text } from './column.ts';

const KIND_NAMES: Record<CribToolKind, string[]> = {
  socket: ['sockets'],
  bit: ['key', 'hex key', 'bit socket'],
  spanner: ['open end', 'ring', 'combination'],
  crowfoot: ["crow's foot", 'crow foot'],
  special: ['special tool', 'other'],
};

const COLUMNS: readonly Column[] = [
  {
    field: 'kind',
    label: 'Kind',
    also: ['type'],
    read: oneOf(KIND_NAMES),
    example: 'socket',
  },
  needed(text('name', 'Name', '16 mm deep socket', 120, ['tool', 'description'])),
  {
    field: 'drive',
    label: 'What it grips',
    also: ['size', 'across flats', 'af'],
    read: gripped,
    example: '16 mm, 5/8 in, T40, 8 mm hex key',
  },
  text('squareDrive', 'Square it takes', '1/2 in', 16, ['square', 'drive size']),
  text('place', 'Where it hangs', 'Board B, 3', 60, ['location', 'bin', 'drawer']),
  text('note', 'Note', '', 500, ['notes', 'remark']),
];

/** Sockets and tools. */
export const TOOL_TABLE: BookTable = {
  columns: COLUMNS,
  finish: (cells) => ({ kind: cells.drive ? 'socket' : 'special', ...cells }),
};
