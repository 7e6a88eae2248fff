import { loadImbalance } from '../../tightening/load-imbalance.ts';
import { mostEvenPattern, tighteningOrder } from '../../tightening/pattern.ts';
import type { KitDocument, Station } from '../kit-document.ts';
import { type Finding, finding } from './finding.ts';

/** An order is told to be worse only where the difference is worth a word (chosen by us). */
const WORTH_SAYING = 0.08;

/** Rule 10: no order where one matters, or one that strays further than another would. */
export function orders(kit: KitDocument): Finding[] {
  return kit.groups.flatMap((group, index): Finding[] => {
    const members = group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []);
    if (members.length < 3) return [];
    const best = mostEvenPattern(members, (station) => station);
    const imbalance = (order: readonly Station[]) => loadImbalance(order);
    const bestImbalance = Math.round(imbalance(tighteningOrder(members, best, (station) => station)) * 100) / 100;
    if (group.torqueOrder === undefined)
      return [
        finding('noOrder', `groups[${index}].torqueOrder`, group.title, {
          stations: members.length,
          best,
          imbalance: bestImbalance,
        }),
      ];
    const rule = group.torqueOrder;
    const order =
      'list' in rule
        ? rule.list.flatMap((id) => members.find((station) => station.id === id) ?? [])
        : tighteningOrder(members, rule.pattern, (station) => station);
    const own = Math.round(imbalance(order) * 100) / 100;
    return own - bestImbalance > WORTH_SAYING
      ? [
          finding('betterOrder', `groups[${index}].torqueOrder`, group.title, {
            own,
            best,
            imbalance: bestImbalance,
            printed: 'list' in rule,
          }),
        ]
      : [];
  });
}
