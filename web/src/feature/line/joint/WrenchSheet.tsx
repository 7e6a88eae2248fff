import { say } from '#contract/wording/say.ts';
import { wrenchFaultText } from '#contract/wording/wrench-fault-text.ts';
import { WRENCH_KIND_TEXT } from '#contract/wording/wrench-text.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { usableBand } from '#core/wrench/usable-band.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { AdapterFields } from './AdapterFields.tsx';
import { InstrumentLine } from './InstrumentLine.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** The shop's wrenches for this pull: those that may do it first, the others with the reason why not. */
export default function WrenchSheet({
  open,
  onClose,
  torque,
}: {
  open: boolean;
  onClose: () => void;
  torque: TorqueStep;
}) {
  const { wrenches, wrench, band } = torque;
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={say('Which wrench?')}
      description={
        band
          ? say('This pull wants {number} N·m.', { number: showTorqueIn(band.targetNm, 'N·m').number })
          : say('No pull is due now.')
      }
    >
      <ul className="grid gap-2">
        {wrenches.map((choice) => {
          const faulty = choice.faults.length > 0;
          const range = usableBand(choice.wrench);
          const show = (nm: number) => showTorqueIn(nm, choice.wrench.scaleUnit).number;
          return (
            <li key={choice.wrench.id}>
              <button
                type="button"
                disabled={faulty}
                aria-pressed={choice.wrench.id === wrench?.wrench.id}
                className={`flex min-h-16 w-full items-center justify-between gap-4 border-2 px-4 py-2 text-left ${faulty ? 'border-rule text-ink-2' : choice.wrench.id === wrench?.wrench.id ? 'border-ink bg-plate text-on-plate' : 'border-ink'}`}
                onClick={() => {
                  torque.chooseWrench(choice.wrench.id);
                  onClose();
                }}
              >
                <span>
                  <b className="text-lg">{choice.wrench.label}</b> {WRENCH_KIND_TEXT[choice.wrench.kind]},{' '}
                  {choice.wrench.squareDrive}
                  {choice.wrench.live ? say(', live') : ''}
                  <span className="figures block text-sm">
                    {show(range.minNm)}–{show(range.maxNm)} {choice.wrench.scaleUnit}
                  </span>
                </span>
                <span className={`text-right text-sm ${faulty ? 'font-bold text-bad' : ''}`}>
                  {faulty
                    ? choice.faults.map((fault) => (
                        <span key={fault.code} className="block">
                          {wrenchFaultText(fault)}
                        </span>
                      ))
                    : say('good to {calibrationDueOn}', { calibrationDueOn: choice.wrench.calibrationDueOn })}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {wrench?.wrench.live && wrench.faults.length === 0 && !torque.through && (
        <InstrumentLine label={wrench.wrench.label} />
      )}
      {band && <AdapterFields key={wrench?.wrench.id} torque={torque} />}
    </Sheet>
  );
}
