import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';

/** An order that could be chosen, with how unevenly it loads the group. */
export function OrderCandidate({
  text,
  imbalance,
  current,
  assumed = false,
  onChoose,
}: {
  text: string;
  imbalance: number;
  current: boolean;
  assumed?: boolean;
  onChoose: () => void;
}) {
  return (
    <tr className={`border-b border-hair ${current ? 'font-bold' : ''}`}>
      <td className="py-1">{text}</td>
      <td className="figures py-1 text-right">{written(imbalance, 2)}</td>
      <td className="py-1 pl-4">
        <span aria-hidden className="block h-3 bg-ink" style={{ width: `${Math.min(100, imbalance * 100)}%` }} />
      </td>
      <td className="py-1 pl-3">
        {current && !assumed ? (
          say('chosen')
        ) : (
          <button type="button" className="min-h-11 px-2 underline" onClick={onChoose}>
            {current ? say('assumed, choose it') : say('choose')}
          </button>
        )}
      </td>
    </tr>
  );
}
