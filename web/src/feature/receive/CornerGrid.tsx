import { say } from '#contract/wording/say.ts';
import { type CornerPart, type CornerRow, cornerGrid } from '#core/visit/corner-grid.ts';
import { useOpenJob } from '../../job/use-open-job.ts';

const END_TEXT: Record<CornerRow['end'], string> = {
  front: say('Front'),
  rear: say('Rear'),
  either: say('Either end'),
};

/** What belongs to which corner, seen from the driver's seat; what one side has alone stands out. */
export function CornerGrid() {
  const { plan } = useOpenJob();
  const rows = cornerGrid(plan);
  if (rows.length === 0) return null;
  return (
    <section className="mt-5">
      <h2 className="plate text-3xl">{say('By corner')}</h2>
      <p className="text-sm text-ink-2">{say('Left and right are seen from the driver’s seat.')}</p>
      <table className="mt-2 w-full table-fixed border-t-2 border-ink text-left align-top">
        <thead className="text-sm text-ink-2">
          <tr>
            <th className="w-20 py-1 font-normal">
              <span className="sr-only">{say('End')}</span>
            </th>
            <th className="py-1 font-normal">{say('Left')}</th>
            <th className="py-1 font-normal">{say('Right')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ end, left, right }) => (
            <tr key={end} className="border-t border-hair align-top">
              <th scope="row" className="py-2 font-bold">
                {END_TEXT[end]}
              </th>
              <td className="py-2 pr-3">
                <Parts parts={left} />
              </td>
              <td className="py-2">
                <Parts parts={right} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Parts({ parts }: { parts: readonly CornerPart[] }) {
  if (parts.length === 0) return <span className="text-ink-2">{say('nothing')}</span>;
  return (
    <ul>
      {parts.map((part) => (
        <li key={part.id} className="py-0.5">
          <span className="figures">{part.quantity}</span> {part.name}
          {part.mark && <b className="figures"> {part.mark}</b>}
          {part.comesOff && <span className="text-sm text-ink-2"> {say('comes off')}</span>}
          {part.onlyHere && <b className="block text-sm text-bad">{say('only on this side')}</b>}
        </li>
      ))}
    </ul>
  );
}
