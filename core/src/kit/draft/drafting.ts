import type { CompoundKind } from '../../compound/compound.ts';
import type { Fact, FactValue } from '../../sheet/fact.ts';
import type { SheetReading } from '../../sheet/read-sheet.ts';
import { blankKit } from '../blank-kit.ts';
import type { Item, KitDocument } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { StepAction } from '../step-action.ts';
import { laidOut } from './laid-out.ts';

/** Something the draft has that the sheet does not say in so many words. */
export interface Assumption {
  /** Path into the draft. */
  path: string;
  code:
    | 'positionsUnknown'
    | 'countAssumed'
    | 'driveFromThread'
    | 'driveUnknown'
    | 'thicknessUnknown'
    | 'compoundNearby'
    | 'fateUnknown'
    | 'boltNotListed'
    | 'strengthAssumed'
    | 'rideHeightLast'
    | 'appliedBefore'
    | 'takenForNut'
    | 'partGoesOnWith'
    | 'toleranceAssumed';
  /** What it is about, for a person. */
  about: string;
}

export interface Draft {
  kit: KitDocument;
  assumed: Assumption[];
  /** Where each fact went, by its index among the facts given. */
  placed: ReadonlyMap<number, string>;
}

/** Facts of one kind. */
export type Of<K extends FactValue['kind']> = Fact & { value: Extract<FactValue, { kind: K }> };
export const isKind =
  <K extends FactValue['kind']>(kind: K) =>
  (fact: Fact): fact is Of<K> =>
    fact.value.kind === kind;

export const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || 'x';

export const clip = (text: string, most: number): string => {
  const flat = text.replace(/\s+/g, ' ').trim();
  return flat.length > most ? `${flat.slice(0, most - 1)}…` : flat;
};

/** The fact that stands nearest to another in the sheet. */
export const nearest = <F extends Fact>(list: readonly F[], to: Fact): F | undefined =>
  [...list].sort((a, b) => Math.abs(a.start - to.start) - Math.abs(b.start - to.start))[0];

/** What closes a sheet: before it the joints are tight. */
export const CLOSES: ReadonlySet<StepAction['type']> = new Set(['lower', 'refit', 'reconnect']);

/** What a noun of a sheet is on a packing list; anything else is a part. */
export const KIND_OF: Record<string, ItemKind> = {
  bolt: 'bolt',
  screw: 'bolt',
  stud: 'bolt',
  capscrew: 'bolt',
  // Called by its head alone: `8 button heads`.
  head: 'bolt',
  setscrew: 'bolt',
  fastener: 'bolt',
  nut: 'nut',
  locknut: 'nut',
  nyloc: 'nut',
  washer: 'washer',
  shim: 'washer',
  clip: 'clip',
  grommet: 'clip',
  rivet: 'clip',
  tie: 'clip',
  pin: 'pin',
  insert: 'insert',
};

export const COMPOUND_NAME: Record<CompoundKind, string> = {
  threadlockerLow: 'Threadlocker, low strength',
  threadlockerMedium: 'Threadlocker, medium strength',
  threadlockerHigh: 'Threadlocker, high strength',
  antiSeize: 'Anti-seize',
  grease: 'Grease',
  sealant: 'Sealant',
  retaining: 'Retaining compound',
};
export const isCompound = (kind: string): kind is CompoundKind => kind in COMPOUND_NAME;

/** Confidence of a fact whose words leave out what it takes for granted, as the reader gives it. */
const ASSUMED = 0.7;

/** A draft on its way: the kit so far, and what its makers share. */
export interface Drafting {
  readonly reading: Pick<SheetReading, 'steps'>;
  readonly facts: readonly Fact[];
  readonly kit: KitDocument;
  readonly assumed: Assumption[];
  readonly placed: Map<number, string>;
  /** Facts of a step, in the order of the sheet. */
  inStep(step: number): readonly Fact[];
  /** Says where a fact went; the first place stands. */
  place(fact: Fact, path: string): void;
  assume(path: string, code: Assumption['code'], about: string): void;
  /** An id no other part of the draft has. */
  freshId(wish: string): string;
  /** Adds a line to the packing list and gives its index. */
  addItem(item: Omit<Item, 'id' | 'line' | 'bag' | 'source'>, source: Item['source']): number;
  /** The compound of a kind, made when first asked for; a locker whose strength was only assumed is one of its own. */
  compoundId(kind: CompoundKind, confidence?: number): string;
}

/** Begins a draft with nothing in it. */
export function startDrafting(
  sheet: Pick<SheetReading, 'steps'>,
  given: readonly Fact[],
  head: { id: string; title: string; maker: string },
): Drafting {
  const { steps, facts } = laidOut(sheet.steps, given);
  const reading = { steps: [...steps] };
  const kit = blankKit(head.id, head.title, head.maker);
  const assumed: Assumption[] = [];
  const placed = new Map<number, string>();
  const indexOf = new Map(facts.map((fact, index) => [fact, index]));
  const byStep = new Map<number, Fact[]>();
  for (const fact of facts) {
    const own = byStep.get(fact.step);
    if (own) own.push(fact);
    else byStep.set(fact.step, [fact]);
  }
  const ids = new Set<string>();
  const serials = new Map<string, number>();
  const freshId = (wish: string): string => {
    const plain = slug(wish);
    let id = plain;
    for (let serial = serials.get(plain) ?? 2; ids.has(id); serial++) {
      id = `${plain}-${serial}`;
      serials.set(plain, serial + 1);
    }
    ids.add(id);
    return id;
  };
  return {
    reading,
    facts,
    kit,
    assumed,
    placed,
    freshId,
    inStep: (step) => byStep.get(step) ?? [],
    place(fact, path) {
      const index = indexOf.get(fact);
      if (index !== undefined && !placed.has(index)) placed.set(index, path);
    },
    assume: (path, code, about) => void assumed.push({ path, code, about }),
    addItem(item, source) {
      const line = source === 'kit' ? `A${kit.items.length + 1}` : `V${kit.items.length + 1}`;
      const bag = source === 'kit' ? 'Bag A' : 'Vehicle';
      kit.items.push({ id: freshId(`${item.kind} ${item.name}`), line, bag, source, ...item });
      return kit.items.length - 1;
    },
    compoundId(kind, confidence = 1) {
      // The sheet says `threadlocker` and not how strong: the floor asks a lead, and nothing is assumed silently.
      const unsure = kind === 'threadlockerMedium' && confidence <= ASSUMED;
      const known = kit.compounds.find(
        (compound) => compound.kind === kind && (compound.gradeUnknown ?? false) === unsure,
      );
      if (known) return known.id;
      const id = freshId(unsure ? 'threadlocker' : kind);
      kit.compounds.push(
        unsure ? { id, name: 'Threadlocker', kind, gradeUnknown: true } : { id, name: COMPOUND_NAME[kind], kind },
      );
      return id;
    },
  };
}
