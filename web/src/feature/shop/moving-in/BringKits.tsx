import { useMemo, useState } from 'react';
import type { Brought, TakenIn } from '#contract/moving-in/brought.ts';
import { LARGEST_FILE } from '#contract/moving-in/brought.ts';
import { BOOK_TEXT } from '#contract/wording/en/moving-in.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { type Change, useBroughtVerdicts } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { tell } from '../../../ui/tell.ts';
import { ChooseFile } from './ChooseFile.tsx';

/** The documents of a file: one kit, a list of kits, or a list under a name. */
function documentsOf(text: string): { documents: object[] } | { fault: string } {
  if (text.length > LARGEST_FILE) return { fault: say('The file is larger than 1.5 MB: bring it in parts.') };
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch (error) {
    return {
      fault: say('This is no JSON: {which}.', { which: error instanceof Error ? error.message : String(error) }),
    };
  }
  const isKit = (value: unknown): value is object => typeof value === 'object' && value !== null && 'id' in value;
  const list = Array.isArray(read) ? read : isKit(read) ? [read] : Object.values((read ?? {}) as object).flat();
  const documents = list.filter(isKit);
  return documents.length > 0 && documents.length === list.length
    ? { documents }
    : { fault: say('There is no kit document in the file: one, or a list of them, each with its id.') };
}

/** Kit files: each judged as at a release, taken together or not at all. */
export function BringKits({
  change,
  onDone,
  onBack,
}: {
  change: Change;
  onDone: (taken: TakenIn) => void;
  onBack: () => void;
}) {
  const [file, setFile] = useState<{ name: string; documents: object[] }>();
  const [fault, setFault] = useState<string>();
  const [waive, setWaive] = useState('');
  const brought = useMemo(
    () => file && ({ book: 'kits', file: file.name, rows: file.documents, ...(waive ? { waive } : {}) } as Brought),
    [file, waive],
  );
  const { data: verdicts, failure, asking } = useBroughtVerdicts(brought);
  const faulty = verdicts?.filter(({ verdict }) => verdict === 'fault').length ?? 0;
  const fresh = verdicts?.filter(({ verdict }) => verdict === 'new').length ?? 0;
  const take = async () => {
    let answer: TakenIn | undefined;
    const ok = await change.act(async () => {
      answer = (await call(api['moving-in'].$post({ json: brought as Brought }))) as TakenIn;
    });
    if (ok && answer) onDone(answer);
  };
  return (
    <section aria-label={BOOK_TEXT.kits} className="grid gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="plate text-3xl">{BOOK_TEXT.kits}</h2>
        <Button onClick={onBack}>{say('Another book')}</Button>
      </div>
      {!file && (
        <ChooseFile
          label={say('File of kits')}
          accept=".json"
          onText={(name, text) => {
            const read = documentsOf(text);
            setFault('fault' in read ? read.fault : undefined);
            if ('documents' in read) setFile({ name, documents: read.documents });
          }}
        />
      )}
      {fault && (
        <p role="alert" className="font-bold text-bad">
          {fault}
        </p>
      )}
      {file && (
        <>
          <h3 className="font-bold">
            {file.name}: {numberOf(file.documents.length, 'kit')}
          </h3>
          {asking && <p className="text-ink-2">{say('Judging them as at a release.')}</p>}
          {failure && (
            <p role="alert" className="font-bold text-bad">
              {failure}
            </p>
          )}
          <ul className="border-t border-rule">
            {file.documents.map((document, at) => {
              const verdict = verdicts?.[at];
              const { id, title, revision } = document as { id?: string; title?: string; revision?: number };
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: documents of a file stay where they are
                <li key={at} className="border-b border-hair py-2">
                  {tell('{title}, revision {revision}', { title: <b>{title ?? id}</b>, revision })}
                  {verdict?.verdict === 'there' && <span className="text-ink-2"> {say('is here already')}</span>}
                  {verdict?.verdict === 'new' && (
                    <span className="text-ink-2">
                      {' '}
                      {tell('comes in{which}', { which: verdict.remark ? `, ${verdict.remark}` : '' })}
                    </span>
                  )}
                  {verdict?.verdict === 'fault' && (
                    <ul>
                      {verdict.faults.slice(0, 12).map(({ field, reason }) => (
                        <li key={`${field} ${reason}`} className="text-sm">
                          <b className="figures text-bad">{field || say('the kit')}</b> {reason}
                        </li>
                      ))}
                      {verdict.faults.length > 12 && (
                        <li className="text-sm">{tell('and {count} more', { count: verdict.faults.length - 12 })}</li>
                      )}
                    </ul>
                  )}
                </li>
              );
            })}
          </ul>
          <FormField
            id="waive"
            label={say('Let the sheets’ warnings stand because')}
            hint={say('Left empty, a kit with warnings is refused; errors are refused always.')}
          >
            <input
              id="waive"
              className={inputLook(false)}
              maxLength={300}
              defaultValue={waive}
              onBlur={(event) => setWaive(event.target.value.trim())}
              onKeyDown={(event) => event.key === 'Enter' && setWaive(event.currentTarget.value.trim())}
            />
          </FormField>
          {change.failure && (
            <p role="alert" className="font-bold text-bad">
              {change.failure}
            </p>
          )}
          <div className="flex flex-wrap gap-2 border-t-2 border-ink py-3">
            <Button
              tone="primary"
              disabled={asking || fresh === 0 || faulty > 0 || change.busy}
              onClick={() => void take()}
            >
              {fresh === 0 ? say('Nothing new in it') : say('Bring in {fresh}', { fresh })}
            </Button>
            <Button onClick={() => setFile(undefined)}>{say('Another file')}</Button>
          </div>
        </>
      )}
    </section>
  );
}
