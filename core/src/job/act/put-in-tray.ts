import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import type { TrayPlace } from '../../kit/tray-layout.ts';
import { USUAL_TRAYS } from '../../kit/tray-layout.ts';
import { EVERYBODY } from '../role.ts';
import { act, done, refuse, setLine, stampOf } from './act.ts';

/** Lays a line in a compartment of a tray, in place of the one it was laid out for. */
export interface PutInTray extends TrayPlace {
  type: 'putInTray';
  item: ItemId;
}

export interface TrayPlaceSet extends TrayPlace {
  type: 'trayPlaceSet';
  item: ItemId;
}

export const putInTray = act<PutInTray, TrayPlaceSet>({
  may: EVERYBODY,
  decide({ plan }, { item, tray, row, column }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    const known = (plan.rules.trays ?? USUAL_TRAYS).find(({ name }) => name === tray);
    const within = (at: number, of: number) => Number.isInteger(at) && at >= 0 && at < of;
    if (!known || !within(row, known.rows) || !within(column, known.columns))
      return refuse({ code: 'noSuchCompartment', tray });
    return done({ type: 'trayPlaceSet', item, tray, row, column });
  },
  fold: {
    trayPlaceSet(draft, fact) {
      const { tray, row, column } = fact;
      setLine(draft, fact.item, (line) => ({ ...line, tray: { tray, row, column, ...stampOf(fact) } }));
    },
  },
});
