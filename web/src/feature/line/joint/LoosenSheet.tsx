import { useState } from 'react';
import { TRACE_WORDS } from '#contract/wording/en/trace.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { undoAdvice } from '#core/compound/compound-choice.ts';
import { stationState } from '#core/job/job-state.ts';
import { curveWarns, isChecking } from '#core/job/pull-curve.ts';
import { stationMark } from '#core/job/station-progress.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { MARK_TEXT } from '../../../drawing/StationGlyph.tsx';
import { Button } from '../../../ui/Button.tsx';
import { ReasonSheet } from '../../../ui/ReasonSheet.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { CorrectPull } from './CorrectPull.tsx';
import type { TorqueStep } from './use-torque-step.ts';

const USUAL = [
  say('Went past the band'),
  say('Clicked without moving'),
  say('Locker had set'),
  say('Part moved'),
  say('For access'),
];

/** A station's pulls so far, and loosening it again: its later passes re-open. */
export default function LoosenSheet({
  open,
  onClose,
  station,
  torque,
}: {
  open: boolean;
  onClose: () => void;
  station?: PlanStation;
  torque: TorqueStep;
}) {
  const { plan, state, give } = torque;
  const [to, setTo] = useState<'started' | 'out'>('started');
  if (!station) {
    return (
      <Sheet
        open={open}
        onClose={onClose}
        title={say('Loosen')}
        description={say('Tap the station on the map that is to be loosened.')}
      >
        <Button onClick={onClose}>{say('Close')}</Button>
      </Sheet>
    );
  }
  const entry = stationState(state, station.id);
  const bead = entry.bead && torque.index.compounds.get(entry.bead.compound);
  const undo = bead && undoAdvice(bead.kind);
  const last = entry.pulls.findLast(({ withdrawn }) => !withdrawn);
  const checking = isChecking(torque.index.groups.get(station.groupId), last?.pass ?? 0);
  const curve = curveWarns(last?.curve, checking) ? last?.curve : undefined;
  return (
    <ReasonSheet
      key={station.id}
      open={open}
      onClose={onClose}
      title={say('Station {label}: {markText}', {
        label: station.label,
        markText: MARK_TEXT[stationMark(plan, station, state)],
      })}
      label={say('Why is it loosened?')}
      confirm={say('Loosen it')}
      usual={curve ? [say('Its curve: {name}', { name: midSentence(TRACE_WORDS[curve.kind].name) }), ...USUAL] : USUAL}
      onReason={(reason) => {
        give({ type: 'loosen', station: station.id, to, reason });
        onClose();
      }}
    >
      <p>{station.name}</p>
      {entry.pulls.length > 0 && (
        <ul className="border-y border-rule" aria-label={say('Pulls so far')}>
          {entry.pulls.map((pull) => (
            <CorrectPull key={pull.id} pull={pull} station={station} torque={torque} />
          ))}
        </ul>
      )}
      <p className="text-sm text-ink-2">
        {undo?.heatC !== undefined && (
          <b className="text-ink">
            {tell(
              'High strength is on it: heat the nut to about {heatC} °C and turn it hot, or the bolt twists off. Not beside rubber, boots or lines.',
              { heatC: undo.heatC },
            )}{' '}
          </b>
        )}
        {say(
          'Loosening re-opens its passes; locker is cleaned off and a new bead put on. Stretch bolts once turned go to scrap.',
        )}
      </p>
      <fieldset className="grid grid-cols-2 gap-2">
        <legend className="sr-only">{say('How far')}</legend>
        <Button
          tone={to === 'started' ? 'dark' : 'plain'}
          aria-pressed={to === 'started'}
          onClick={() => setTo('started')}
        >
          {say('Back to started')}
        </Button>
        <Button tone={to === 'out' ? 'dark' : 'plain'} aria-pressed={to === 'out'} onClick={() => setTo('out')}>
          {say('Take it out')}
        </Button>
      </fieldset>
    </ReasonSheet>
  );
}
