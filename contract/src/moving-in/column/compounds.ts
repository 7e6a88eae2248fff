import type { CompoundKind } from '#core/compound/compound.ts';
import { day, measure, oneOf, whole } from '../cell.ts';
import { type BookTable, type Column, needed, text } from './column.ts';

const COMPOUND_NAMES: Record<CompoundKind, string[]> = {
  threadlockerLow: ['threadlocker low', 'low locker', 'low strength', 'low-strength locker', 'low'],
  threadlockerMedium: ['threadlocker medium', 'medium locker', 'medium', 'locker medium', 'threadlocker'],
  threadlockerHigh: ['threadlocker high', 'high locker', 'high strength', 'high-strength locker', 'high'],
  antiSeize: ['anti-seize', 'antiseize', 'never seize', 'copper paste'],
  grease: ['lubricant'],
  sealant: ['sealer', 'gasket maker'],
  retaining: ['retaining compound', 'retainer', 'bearing fit'],
};

const COLUMNS: readonly Column[] = [
  needed(text('name', 'Name', 'Medium locker', 120, ['product', 'compound'])),
  {
    field: 'kind',
    label: 'Kind',
    also: ['type'],
    needed: true,
    read: oneOf(COMPOUND_NAMES),
    example: 'medium locker',
  },
  needed(text('lot', 'Lot', 'L2291', 40, ['batch', 'lot number', 'charge'])),
  {
    field: 'sizeMl',
    label: 'Size',
    also: ['size ml', 'volume', 'content', 'ml'],
    needed: true,
    read: measure('mL', 0.5, 20_000),
    example: '50 mL',
  },
  {
    field: 'expiresOn',
    label: 'Best before',
    also: ['expires', 'expiry', 'expiry date', 'expires on', 'use by', 'best before'],
    needed: true,
    read: day,
    example: '2027-09-30',
  },
  { field: 'openedOn', label: 'Opened', also: ['opened on'], read: day, example: '2026-10-02' },
  {
    field: 'openMonths',
    label: 'Months once opened',
    also: ['open months', 'keeps open'],
    read: whole(1, 120),
    example: '12',
  },
  {
    field: 'storeMaxC',
    label: 'Store at most at, °C',
    also: ['store', 'storage temperature', 'store max'],
    read: measure('°C', 0, 60),
    example: '28',
  },
];

/** Bottles, tubes and cans of compound. */
export const COMPOUND_TABLE: BookTable = { columns: COLUMNS, finish: (cells) => ({ storeMaxC: 28, ...cells }) };
