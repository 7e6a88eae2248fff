/** What a shop brings along when it moves in, each a table of its own. */
export const BOOKS = ['vehicles', 'wrenches', 'tools', 'compounds', 'fasteners', 'people', 'kits'] as const;
export type Book = (typeof BOOKS)[number];
/** Books that come as tables; kits come as their own files. */
export type TableBook = Exclude<Book, 'kits'>;
