import { type ToolContradiction, toolContradictions } from '../fastener/identify.ts';
import { parseThread } from '../fastener/thread.ts';
import { indexOf, type Plan, type PlanItem } from './plan.ts';

/**
 * What the tools a sheet names say against a line's thread: the socket or key that turns it, the hole it goes through. A
 * thread that its own tools doubt is measured before it goes in (M04).
 */
export function toolsAgainst(plan: Plan, item: PlanItem): ToolContradiction[] {
  const read = item.thread === undefined ? undefined : parseThread(item.thread);
  if (!read?.ok) return [];
  const { thread } = read.value;
  const { items } = indexOf(plan);
  const found = new Map<string, ToolContradiction>();
  const note = (contradictions: readonly ToolContradiction[]) => {
    for (const contradiction of contradictions) found.set(JSON.stringify(contradiction), contradiction);
  };
  if (item.acrossFlatsMm !== undefined && item.form === undefined && (item.kind === 'bolt' || item.kind === 'nut'))
    note(toolContradictions(thread, { acrossFlatsMm: item.acrossFlatsMm }));
  for (const { stack, drive, drillMm, turned } of plan.stations) {
    const pieces = stack.flatMap((piece) => (piece.kind === 'hardware' ? [piece.item] : []));
    if (!pieces.includes(item.id)) continue;
    const hasNut = pieces.some((id) => items.get(id)?.kind === 'nut');
    const turns = turned ?? (hasNut ? 'nut' : 'head');
    if ((turns === 'nut') === (item.kind === 'nut') && item.form === undefined && drive.kind === 'hex')
      note(toolContradictions(thread, { acrossFlatsMm: drive.acrossFlatsMm }));
    if (item.kind === 'bolt' && drillMm !== undefined) note(toolContradictions(thread, { clearanceDrillMm: drillMm }));
  }
  return [...found.values()];
}
