import type { CribTool } from '../crib/crib-tool.ts';
import { type DriveSize, describeDrive, hasSize } from '../fastener/drive.ts';
import type { Arranged } from '../job/arranged-tool.ts';
import type { Plan } from '../kit/plan.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { IS_WRENCH, toolsOfAct, toolsOfJoint } from './tool-of-act.ts';

/** A tool the work asks for, and what for. */
export interface ToolNeed {
  key: string;
  /** As it is picked up: `16 mm socket`, `drill 9 mm`. */
  name: string;
  drive?: DriveSize;
  /** Stations it turns, and stations at which it holds the other end. */
  turns: string[];
  holds: string[];
  /** Other work: drilling, a special of the sheet. */
  other: string[];
  /** On the sheet's own list. */
  listed: boolean;
  /** The crib's tool for it; absent: the crib has none. */
  have?: CribTool;
  /** Pullers, compressors, templates: owned, borrowed or rented. */
  special?: true;
  use?: string;
  misuse?: string;
  /** How it was got for this job. */
  arranged?: Arranged;
  /** A second one is wanted: the same size turns and holds at once. */
  pair: boolean;
}

/** Same size within what a socket forgives: 19 mm fits 3/4 in (19.05 mm), 18 does not. Common practice, no source. */
const SAME_MM = 0.06;

function sameDrive(a: DriveSize, b: DriveSize): boolean {
  if (!hasSize(a) || !hasSize(b)) return a.kind === 'hand' && b.kind === 'hand';
  if (a.kind === 'sixLobe' || b.kind === 'sixLobe')
    return a.kind === b.kind && 'size' in a && 'size' in b && a.size === b.size;
  const hexLike = (drive: DriveSize) => drive.kind === 'hex' || drive.kind === 'twelvePoint';
  return (
    (a.kind === b.kind || (hexLike(a) && hexLike(b))) &&
    'acrossFlatsMm' in a &&
    'acrossFlatsMm' in b &&
    Math.abs(a.acrossFlatsMm - b.acrossFlatsMm) <= SAME_MM
  );
}

/** Whether a tool of the crib may be picked up for a drive: a 12-point head takes no plain hex socket. */
const takes = (tool: CribTool, drive: DriveSize): boolean =>
  tool.drive !== undefined &&
  sameDrive(tool.drive, drive) &&
  (drive.kind !== 'twelvePoint' || tool.drive.kind === 'twelvePoint');

const specialOf = ({ special, use, misuse }: Plan['tools'][number]): Partial<ToolNeed> => ({
  ...(special ? { special: true as const } : {}),
  ...(use ? { use } : {}),
  ...(misuse ? { misuse } : {}),
});

/** A wrench of the crib that is what a joint asks for by name. */
function wrenchFor({ name }: ToolNeed, wrenches: readonly Wrench[]): CribTool | undefined {
  if (!IS_WRENCH.has(name)) return undefined;
  const found = wrenches.find(
    ({ scaleUnit, lowestNm }) => scaleUnit === 'lbf·in' || (lowestNm !== undefined && lowestNm <= 2),
  );
  return found && { id: found.id, kind: 'special', name: found.label };
}

/** The tools the sheet lists that no station and no action asks for: perhaps for another variant. */
export interface ToolList {
  needs: ToolNeed[];
  unused: Array<{ id: string; name: string; kit: string }>;
}

/**
 * The tools of the day, worked out from what is turned, held, drilled and done, and from the kinds of the joints, and compared with the sheet's own list:
 * what the sheet forgot is in it, and what it lists for nothing is told.
 */
export function toolsNeeded(
  plan: Plan,
  crib: readonly CribTool[],
  arranged: Readonly<Record<string, Arranged>> = {},
  wrenches: readonly Wrench[] = [],
): ToolList {
  const needs: ToolNeed[] = [];
  const find = (key: string, name: string, drive?: DriveSize): ToolNeed => {
    const known = needs.find((need) => need.key === key || (drive && need.drive && sameDrive(need.drive, drive)));
    if (known) return known;
    const made: ToolNeed = {
      key,
      name,
      turns: [],
      holds: [],
      other: [],
      listed: false,
      pair: false,
      ...(drive ? { drive } : {}),
    };
    needs.push(made);
    return made;
  };
  for (const station of plan.stations) {
    const turned = hasSize(station.drive)
      ? find(describeDrive(station.drive), describeDrive(station.drive), station.drive)
      : undefined;
    turned?.turns.push(station.id);
    const holding = station.holding?.drive;
    if (!holding || !hasSize(holding)) continue;
    const held = find(describeDrive(holding), describeDrive(holding), holding);
    held.holds.push(station.id);
    if (held === turned) held.pair = true;
    if (station.drillMm !== undefined)
      find(`drill ${station.drillMm}`, `${station.drillMm} mm drill`).other.push(station.name);
  }
  for (const step of plan.steps)
    for (const action of step.actions)
      if (action.type === 'drill')
        find(`drill ${action.diameterMm}`, `${action.diameterMm} mm drill`).other.push(step.text);
  const asked = [
    ...plan.steps.flatMap((step) => step.actions.flatMap((action) => toolsOfAct(plan, action, step.text))),
    ...plan.stations.flatMap(toolsOfJoint),
  ];
  const calledBy = new Map<ToolNeed, RegExp>();
  for (const { name, called, for: what } of asked) {
    const need = find(`act ${name}`, name);
    if (!need.other.includes(what)) need.other.push(what);
    calledBy.set(need, called);
  }
  const unused: ToolList['unused'] = [];
  for (const tool of plan.tools) {
    const meant = tool.drive ? undefined : needs.find((need) => calledBy.get(need)?.test(tool.name));
    if (meant) {
      // The sheet's own name for it is the one to look for.
      Object.assign(meant, { name: tool.name, listed: true, ...specialOf(tool) });
      continue;
    }
    const known = tool.drive && needs.find((need) => need.drive && sameDrive(need.drive, tool.drive as DriveSize));
    if (known) known.listed = true;
    else if (tool.drive) unused.push({ id: tool.id, name: tool.name, kit: tool.kit });
    else {
      const special = find(`special ${tool.name.toLowerCase()}`, tool.name);
      special.listed = true;
      Object.assign(special, specialOf(tool));
      special.other.push(tool.note ?? 'on the sheet');
    }
  }
  const there = crib.filter((tool) => !tool.missing);
  for (const need of needs) {
    const { drive } = need;
    const called = calledBy.get(need);
    const have = drive
      ? there.find((tool) => takes(tool, drive))
      : (there.find((tool) => tool.name.toLowerCase() === need.name.toLowerCase()) ??
        there.find((tool) => tool.drive === undefined && called?.test(tool.name)) ??
        wrenchFor(need, wrenches));
    if (have) need.have = have;
    const got = arranged[need.key];
    if (got) need.arranged = got;
  }
  return { needs, unused };
}
