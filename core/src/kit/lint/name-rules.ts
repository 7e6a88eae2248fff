import type { KitDocument } from '../kit-document.ts';
import { notNamed } from '../not-named.ts';
import { type Finding, finding } from './finding.ts';

/** Rule 22: what was added and never named. */
export const names = (kit: KitDocument): Finding[] =>
  notNamed(kit).map(({ list, index, name }) =>
    finding('notNamedYet', `${list}[${index}]`, `${name}, entry ${index + 1} of its list`, { name }),
  );
