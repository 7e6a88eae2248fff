import type { Plan } from '../kit/plan.ts';
import type { ActionOf } from '../line/line-kind.ts';

/** Something the plan takes and no box brings. */
export interface Wanted {
  id: string;
  /** A one-use bolt of the vehicle, a piece the sheet leaves to the shop, or what is filled in. */
  what: 'newBolt' | 'shopPiece' | 'fluid';
  name: string;
  /** Thread, length, side: what it is bought by. */
  detail?: string;
  quantity: number;
  unit?: 'L' | 'mL' | 'kg' | 'g';
  /** The packing line whose count tells of it. */
  item?: string;
}

const plainer = (text: string): string => text.toLowerCase().trim();

/** The line of the list that what is filled in stands on: one of a kind, however many steps fill it in. */
export const fluidId = ({
  what,
  with: product,
  unit = 'L',
}: Pick<ActionOf<'fill'>, 'what' | 'with' | 'unit'>): string => `fill ${plainer(product ?? what)} ${unit}`;

/** What the resolved plan takes and no box brings: new one-use bolts, what the sheet leaves to the shop, what is filled in. */
export function wantedOf(plan: Plan): Wanted[] {
  const found = new Map<string, Wanted>();
  const add = (one: Wanted) => {
    const known = found.get(one.id);
    if (known) known.quantity = Math.round((known.quantity + one.quantity) * 1000) / 1000;
    else found.set(one.id, one);
  };
  for (const thing of plan.removed) {
    // What two kits take off is one thing, and bought once.
    const keeper = plan.shared.find(
      ({ what, members }) => what === 'removed' && members.some(({ id }) => id === thing.id),
    );
    if (keeper && keeper.members[0]?.id !== thing.id) continue;
    if (!thing.singleUse || thing.fate !== 'refit' || thing.replacedBy !== undefined) continue;
    const detail = [thing.thread?.replaceAll('x', '×'), thing.lengthMm && `${thing.lengthMm} mm`, thing.side];
    add({
      id: `new ${thing.id}`,
      what: 'newBolt',
      name: thing.name,
      quantity: thing.count,
      ...(detail.some(Boolean) ? { detail: detail.filter(Boolean).join(', ') } : {}),
    });
  }
  for (const item of plan.items) {
    if (item.source !== 'shop' || item.needed <= 0) continue;
    add({
      id: `piece ${item.id}`,
      item: item.id,
      what: 'shopPiece',
      name: item.name,
      quantity: item.needed,
      ...(item.thread ? { detail: item.thread.replaceAll('x', '×') } : {}),
    });
  }
  for (const { actions } of plan.steps)
    for (const action of actions)
      if (action.type === 'fill')
        add({
          id: fluidId(action),
          what: 'fluid',
          name: action.with ?? action.what,
          quantity: action.amount ?? 0,
          unit: action.unit ?? 'L',
          ...(action.with === undefined ? {} : { detail: action.what }),
        });
  return [...found.values()];
}
