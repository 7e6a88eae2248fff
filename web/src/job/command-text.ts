import { ACT_WORDS } from '#contract/wording/en/acts.ts';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';

/** A command in a few words: what, where, how much. `label` names a station as its job does. */
export function commandText(command: JobCommand, label: (station: string) => string | undefined): string {
  const station = 'station' in command ? command.station : undefined;
  return [
    ACT_WORDS[command.type] ?? command.type,
    ...(station === undefined ? [] : [say('station {label}', { label: label(station) ?? station })]),
    ...(command.type === 'pull' ? [`${command.torqueNm.toFixed(1)} N·m`] : []),
  ].join(', ');
}
