/** A kit's id from its title: `Rear brace, long` → `rear-brace-long`. */
export const idFrom = (title: string): string =>
  title
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'kit';
