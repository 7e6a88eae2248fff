import type { Book } from '../../moving-in/book.ts';
import { inLanguage } from '../say.ts';

export const BOOK_TEXT: Record<Book, string> = inLanguage({
  vehicles: 'Vehicles and owners',
  wrenches: 'Torque wrenches',
  tools: 'Sockets and tools',
  compounds: 'Compounds',
  fasteners: 'Fasteners',
  people: 'People',
  kits: 'Kits',
});

/** What a book's table is, for somebody who has it in another program. */
export const BOOK_WHY: Record<Book, string> = inLanguage({
  vehicles: 'One line a vehicle, its owner beside it. Plate or VIN tells whether the shop has it already.',
  wrenches: 'One line a wrench. With a certificate come its readings; a wrench out of limits comes in locked.',
  tools: 'One line a socket or tool, as often as it hangs there.',
  compounds: 'One line a bottle, with its lot and best before.',
  fasteners: 'One line a drawer.',
  people: 'One line a person. Each gets a PIN that is shown once, after the import.',
  kits: 'Kit files of Wrenchman’s own format, one document or a list. Judged as at a release.',
});
