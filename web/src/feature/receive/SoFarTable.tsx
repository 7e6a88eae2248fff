import { say } from '#contract/wording/say.ts';
import type { SoFar } from '#core/visit/plan-so-far.ts';

const NAMES = { items: say('Lines'), stations: say('Stations'), steps: say('Steps') } as const;

/** The plan while it builds: what is in, what is out, and what waits for an answer, as bars on one scale. */
export function SoFarTable({ soFar }: { soFar: Record<keyof typeof NAMES, SoFar> }) {
  return (
    <table className="w-full text-left">
      <thead className="text-sm text-ink-2">
        <tr>
          <th className="font-normal" />
          <th className="text-right font-normal">in</th>
          <th className="text-right font-normal">{say('out')}</th>
          <th className="text-right font-normal">{say('open')}</th>
        </tr>
      </thead>
      <tbody>
        {(Object.keys(NAMES) as Array<keyof typeof NAMES>).map((list) => (
          <tr key={list} className="border-t border-hair">
            <th className="py-2 font-bold">{NAMES[list]}</th>
            <td className="figures text-right text-xl font-bold">{soFar[list].in}</td>
            <td className="figures text-right text-xl text-ink-2">{soFar[list].out}</td>
            <td className="figures text-right text-xl">{soFar[list].open}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
