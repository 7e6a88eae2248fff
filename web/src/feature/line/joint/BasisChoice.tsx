import { useState } from 'react';
import { BASIS_TEXT, COMPOUND_TEXT, FACTOR_TEXT } from '#contract/wording/en/terms.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { FACTOR_RANGE, type FactorSource } from '#core/job/act/settle-basis.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { BasisClash } from '#core/job/figure-basis.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { ProofSheet } from '../../../job/ProofSheet.tsx';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** A compound on a thread its figure did not count on: both torques side by side, and a signature under one of them. */
export function BasisChoice({ torque, clash }: { torque: TorqueStep; clash: BasisClash }) {
  const { station, plan } = torque;
  const [signing, setSigning] = useState<JobCommand>();
  const house = plan.rules.antiSeizeShare;
  const [use, setUse] = useState<'asPrinted' | 'sameLoad'>();
  const [factorFrom, setFactorFrom] = useState<FactorSource>('friction');
  const [product, setProduct] = useState('');
  const [reason, setReason] = useState('');
  if (!station) return null;
  const unit = printedTorqueUnit(station.printed) ?? 'N·m';
  const percent = Number(product.replace(',', '.'));
  const factor = factorFrom === 'friction' ? clash.frictionFactor : factorFrom === 'house' ? house : percent / 100;
  const known = factor !== undefined && factor >= FACTOR_RANGE.min && factor <= FACTOR_RANGE.max;
  const ready = reason.trim() !== '' && (use === 'asPrinted' || (use === 'sameLoad' && known));
  const show = (nm: number) => `${showTorqueIn(nm, unit).number} ${unit}`;
  const sign = () =>
    setSigning({
      type: 'settleBasis',
      station: station.id,
      use: use ?? 'asPrinted',
      ...(use === 'sameLoad' ? { factorFrom, ...(factorFrom === 'friction' ? {} : { factor }) } : {}),
      reason: reason.trim(),
    });
  return (
    <div className="mt-3 border-2 border-bad p-3">
      <p className="text-lg font-bold">{say('Which torque holds?')}</p>
      <p>
        {tell(
          'The figure is for {basisText}, and {compoundText} is on the thread: the same torque makes another load.',
          { basisText: BASIS_TEXT[clash.basis], compoundText: midSentence(COMPOUND_TEXT[clash.compound]) },
        )}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Button
          tone={use === 'asPrinted' ? 'dark' : 'plain'}
          aria-pressed={use === 'asPrinted'}
          className="flex-col"
          onClick={() => setUse('asPrinted')}
        >
          <span>{say('As printed')}</span>
          <span className="figures text-2xl">{show(clash.printedNm)}</span>
        </Button>
        <Button
          tone={use === 'sameLoad' ? 'dark' : 'plain'}
          aria-pressed={use === 'sameLoad'}
          className="flex-col"
          onClick={() => setUse('sameLoad')}
        >
          <span>{say('For the same load')}</span>
          <span className="figures text-2xl">{known ? show(clash.printedNm * factor) : '?'}</span>
        </Button>
      </div>
      {use === 'sameLoad' && (
        <div className="mt-2 grid gap-2">
          {(['friction', 'product', ...(house === undefined ? [] : (['house'] as const))] as const).map((one) => (
            <label key={one} className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                className="size-6"
                name="factor"
                checked={factorFrom === one}
                onChange={() => setFactorFrom(one)}
              />
              <span>
                {FACTOR_TEXT[one]}
                {one === 'friction' && <b className="figures">, {Math.round(clash.frictionFactor * 100)} %</b>}
                {one === 'house' && house !== undefined && <b className="figures">, {Math.round(house * 100)} %</b>}
              </span>
            </label>
          ))}
          {factorFrom === 'product' && (
            <label className="grid">
              <span className="text-sm text-ink-2">{say('Percent of the dry torque, as its sheet says')}</span>
              <input
                className="figures min-h-14 w-32 border-2 border-ink bg-sheet px-3 text-xl"
                inputMode="decimal"
                value={product}
                onChange={(event) => setProduct(event.target.value)}
              />
            </label>
          )}
        </div>
      )}
      <label className="mt-2 grid">
        <span className="text-sm text-ink-2">{say('Why, kept on the record with both figures')}</span>
        <input
          className="min-h-14 w-full border-2 border-ink bg-sheet px-3"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <Button tone="primary" className="mt-2 w-full" disabled={!ready} onClick={sign}>
        {ready ? say('Sign this figure') : use ? say('Say why, then sign') : say('Choose one of both')}
      </Button>
      <p className="mt-1 text-sm text-ink-2">{say('It counts for the bolts of this group that are alike.')}</p>
      <ProofSheet command={signing} title={say('Sign this figure')} onClose={() => setSigning(undefined)} />
    </div>
  );
}
