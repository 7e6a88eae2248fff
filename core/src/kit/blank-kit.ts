import { KIT_FORMAT, KIT_VERSION, type KitDocument } from './kit-document.ts';

/** A kit document with nothing in it yet, revision 1. */
export const blankKit = (id: string, title: string, maker: string): KitDocument => ({
  format: KIT_FORMAT,
  version: KIT_VERSION,
  id,
  revision: 1,
  title,
  maker,
  fits: [],
  questions: [],
  items: [],
  compounds: [],
  stations: [],
  groups: [],
  cautions: [],
  aftercare: [],
  prerequisites: [],
  baselines: [],
  choices: [],
  irreversible: [],
  temporary: [],
  neighbours: [],
  removed: [],
  disconnects: [],
  checks: [],
  steps: [],
});
