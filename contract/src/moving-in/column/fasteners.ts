import { type PackingColumn, readCell } from '../../packing-csv.ts';
import { whole } from '../cell.ts';
import { type BookTable, type Column, needed, text } from './column.ts';

const packing = (field: PackingColumn, label: string, example: string, also: string[] = []): Column => ({
  field,
  label,
  also,
  read: (typed) => readCell(field, typed),
  example,
});

const COLUMNS: readonly Column[] = [
  needed(text('bin', 'Drawer', 'B4', 40, ['bin', 'location', 'place'])),
  needed(packing('kind', 'Kind', 'bolt', ['type'])),
  packing('form', 'Form', 'flange'),
  needed(packing('name', 'Name', 'Flange bolt', ['description', 'item'])),
  packing('thread', 'Thread', 'M10 x 1.5'),
  packing('lengthMm', 'Length, mm', '30', ['length', 'length (mm)']),
  packing('head', 'Head', 'hexFlange'),
  packing('acrossFlatsMm', 'Across flats, mm', '16', ['across flats', 'af']),
  packing('propertyClass', 'Class', '10.9', ['grade', 'class']),
  packing('finish', 'Finish', 'zinc flake'),
  packing('insideMm', 'Inside, mm', ''),
  packing('outsideMm', 'Outside, mm', ''),
  packing('thicknessMm', 'Thickness, mm', ''),
  {
    field: 'counted',
    label: 'How many',
    also: ['quantity', 'qty', 'count', 'stock'],
    needed: true,
    read: whole(0, 100_000),
    example: '120',
  },
  {
    field: 'lowAt',
    label: 'Order at',
    also: ['low', 'reorder', 'order at', 'minimum'],
    read: whole(0, 100_000),
    example: '20',
  },
];

/** Drawers of the shop's own fasteners. */
export const FASTENER_TABLE: BookTable = { columns: COLUMNS, finish: (cells) => cells };
