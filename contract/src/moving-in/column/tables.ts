import type { TableBook } from '../book.ts';
import type { BookTable } from './column.ts';
import { COMPOUND_TABLE } from './compounds.ts';
import { FASTENER_TABLE } from './fasteners.ts';
import { PERSON_TABLE } from './people.ts';
import { TOOL_TABLE } from './tools.ts';
import { VEHICLE_TABLE } from './vehicles.ts';
import { WRENCH_TABLE } from './wrenches.ts';

/** How each book is read. */
export const TABLES: Record<TableBook, BookTable> = {
  vehicles: VEHICLE_TABLE,
  wrenches: WRENCH_TABLE,
  tools: TOOL_TABLE,
  compounds: COMPOUND_TABLE,
  fasteners: FASTENER_TABLE,
  people: PERSON_TABLE,
};
