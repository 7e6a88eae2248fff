import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { faultText } from '#contract/read-kit.ts';
import { answersText, findingText, placeText } from '#contract/wording/finding-text.ts';
import { kitChangeText } from '#contract/wording/kit-difference-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { kitDifference } from '#core/kit/kit-difference.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { type Finding, findingKey, type Severity } from '#core/kit/lint/finding.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { TorqueRule } from '../../../drawing/TorqueRule.tsx';
import { api, call } from '../../../shop/api.ts';
import { useChange, useRevision, useRevisions } from '../../../shop/queries.ts';
import { useSession } from '../../../shop/session.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { tell } from '../../../ui/tell.ts';
import { usePlayed } from '../dry-run/played.ts';
import { useEditor, useKit } from './editor-store.ts';
import { partAddress, placeAddress } from './finding-place.ts';

const SEVERITY: Record<Severity, { text: string; look: string }> = {
  error: { text: say('Error'), look: 'bg-bad text-sheet' },
  warning: { text: say('Warning'), look: 'bg-plate text-on-plate' },
  note: { text: say('Note'), look: 'border-2 border-rule text-ink-2' },
};

/** What the lint finds as it is written, and the release. */
export function Release() {
  const kit = useKit();
  const { version, save } = useEditor();
  const navigate = useNavigate();
  const role = useSession((state) => state.session?.person.role);
  const checked = useEditor((state) => state.checked);
  const findings = checked?.findings ?? [];
  const fresh = checked?.kit === kit;
  const faults = useMemo(() => kitFaults(kit).map(faultText), [kit]);
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const [note, setNote] = useState('');
  const { act, busy, failure: unsent } = useChange('kits', 'library', 'drafts');
  const { data: revisions, failure: unread } = useRevisions(kit.id);
  const { data: before } = useRevision(kit.id, revisions?.[0]?.revision);
  const failure = unsent ?? unread;
  const changes = useMemo(() => (before ? kitDifference(before, kit) : []), [before, kit]);
  const warnings = findings.filter((finding) => finding.severity === 'warning');
  const errors = findings.filter((finding) => finding.severity === 'error').length + faults.length;
  const played = usePlayed(kit, faults.length === 0);
  const deadEnds = played?.told?.deadEnds ?? [];
  const open = warnings.filter((finding) => !reasons[findingKey(finding)]?.trim());
  const blocked =
    errors > 0
      ? say('{errors} {errors, plural, one {error has} other {errors have}} to be cleared first.', { errors })
      : open.length > 0
        ? say('{count} {count, plural, one {warning needs} other {warnings need}} a reason, or to be cleared.', {
            count: open.length,
          })
        : warnings.length > 0 && role !== 'lead'
          ? say('A lead lets warnings stand. Ask one to release it.')
          : note.trim() === ''
            ? say('Say what this revision is, in the note.')
            : !fresh
              ? say('Still being checked.')
              : save !== 'saved'
                ? say('Waiting for the draft to be saved.')
                : undefined;
  const release = async () => {
    await act(async () => {
      await call(
        api['kit-library'].drafts[':id'].release.$post({
          param: { id: kit.id },
          json: {
            version,
            note: note.trim(),
            waivers: warnings.map((finding) => ({
              key: findingKey(finding),
              reason: reasons[findingKey(finding)] ?? '',
            })),
          },
        }),
      );
      localStorage.removeItem(`kit-draft ${kit.id}`);
      useEditor.setState({ kit: undefined, save: 'saved' });
      void navigate(`/kits/${kit.id}`);
    });
  };
  const off = new Set(
    findings
      .filter((finding) => ['twelveTimes', 'offNeighbours', 'overProof', 'pairDisagrees'].includes(finding.code))
      .map((finding) => finding.path.replace(/\].*$/, ']')),
  );
  const marks = kit.stations.flatMap((station, index) =>
    station.specs.flatMap((printed, at) => {
      const band = acceptBand(printed.spec);
      return band
        ? [
            {
              key: `${station.id} ${at}`,
              nm: band.targetNm,
              name: `Station ${station.label}: ${printed.printed}`,
              bad: off.has(`stations[${index}]`),
            },
          ]
        : [];
    }),
  );
  return (
    <div className="grid content-start gap-6 p-4 lg:min-h-0 lg:grid-cols-[1fr_26rem] lg:overflow-y-auto">
      <section>
        <h2 className="plate border-b-2 border-ink text-2xl">
          {tell('Findings {numberOf}', {
            numberOf: (
              <span className="text-ink-2">
                {numberOf(errors, 'error')}, {numberOf(warnings.length, 'warning')}
              </span>
            ),
          })}
        </h2>
        <p className="py-2 text-sm text-ink-2">
          {say(
            "The sheet against physics and against itself. An aid, not an approval: the vehicle maker's manual and local rules go first.",
          )}
        </p>
        <ul>
          {faults.map((fault) => (
            <li key={`${fault.path} ${fault.message}`} className="flex gap-3 border-b border-rule py-2">
              <span className={`plate h-8 w-24 shrink-0 content-center text-center text-lg ${SEVERITY.error.look}`}>
                {say('Error')}
              </span>
              <span>
                <b>{fault.message}</b>
                <FaultPlace kit={kit.id} path={fault.path} />
              </span>
            </li>
          ))}
          {deadEnds.map((end) => (
            <li key={`${end.at} ${end.why}`} className="flex gap-3 border-b border-rule py-2">
              <span className={`plate h-8 w-24 shrink-0 content-center text-center text-lg ${SEVERITY.error.look}`}>
                {say('Dead end')}
              </span>
              <div className="min-w-0 flex-1">
                <p>
                  <b>{end.at}</b>
                </p>
                <p>{end.why}</p>
                <p className="text-sm text-ink-2">
                  {answersText(kit, end.answers)}
                  {end.combinations > 1 &&
                    say(' and {combinations} more combinations', { combinations: end.combinations - 1 })}
                </p>
                <Link
                  className="inline-flex min-h-9 items-center text-ink-2 underline"
                  to={partAddress(kit.id, 'dry-run')}
                >
                  {say('Play it')}
                </Link>
              </div>
            </li>
          ))}
          {findings.map((finding) => (
            <FindingRow
              key={findingKey(finding)}
              kit={kit}
              finding={finding}
              reason={reasons[findingKey(finding)] ?? ''}
              onReason={(reason) => setReasons((all) => ({ ...all, [findingKey(finding)]: reason }))}
            />
          ))}
          {findings.length + faults.length === 0 && (
            <li className="py-4">{fresh ? say('Nothing found.') : say('Checking.')}</li>
          )}
        </ul>
      </section>
      <aside className="grid content-start gap-5">
        <section>
          <h2 className="plate text-xl">{say('Every torque of this kit, N·m')}</h2>
          <TorqueRule marks={marks} />
        </section>
        <section>
          <h2 className="plate border-b-2 border-ink text-2xl">
            {tell('Release revision {revision}', { revision: kit.revision })}
          </h2>
          <div className="grid gap-3 pt-3">
            <FormField
              id="release-note"
              label={say('Note')}
              hint={say('What changed and why; it stands beside the revision.')}
            >
              <textarea
                id="release-note"
                rows={3}
                className={inputLook(false)}
                value={note}
                onChange={(event) => setNote(event.target.value)}
                maxLength={500}
              />
            </FormField>
            {failure && (
              <p role="alert" className="font-bold text-bad">
                {failure}
              </p>
            )}
            {blocked && <p className="font-bold">{blocked}</p>}
            <Button tone="primary" disabled={blocked !== undefined || busy} onClick={() => void release()}>
              {say('Release it')}
            </Button>
            {busy && (
              <p role="status" className="font-bold">
                {say('Every combination is played once more before it is released; a long kit takes up to a minute.')}
              </p>
            )}
            <p className="text-sm text-ink-2">
              {say('A released revision never changes. Jobs that are open keep the one they were opened with.')}
            </p>
          </div>
        </section>
        {before && (
          <section>
            <h2 className="plate text-xl">{tell('Against revision {revision}', { revision: before.revision })}</h2>
            <ul className="text-sm">
              {changes.map((entry) => {
                const text = kitChangeText(entry);
                return (
                  <li key={text} className="border-b border-hair py-1">
                    {text}
                  </li>
                );
              })}
              {changes.length === 0 && <li className="py-1 text-ink-2">{say('Nothing differs yet.')}</li>}
            </ul>
          </section>
        )}
      </aside>
    </div>
  );
}

/** Where a fault is, as the file has it; where the editor has a place for it, the way there. */
function FaultPlace({ kit, path }: { kit: string; path: string }) {
  const to = placeAddress(kit, path);
  return to ? (
    <Link className="figures block text-sm text-ink-2 underline" to={to}>
      {path}
    </Link>
  ) : (
    <span className="figures block text-sm text-ink-2">{path}</span>
  );
}

function FindingRow({
  kit,
  finding,
  reason,
  onReason,
}: {
  kit: KitDocument;
  finding: Finding;
  reason: string;
  onReason: (reason: string) => void;
}) {
  const { title, why, clears } = findingText(finding);
  const to = placeAddress(kit.id, finding.path);
  const id = `reason-${findingKey(finding).replace(/\W+/g, '-')}`;
  return (
    <li className="flex gap-3 border-b border-rule py-2">
      <span className={`plate h-8 w-24 shrink-0 content-center text-center text-lg ${SEVERITY[finding.severity].look}`}>
        {SEVERITY[finding.severity].text}
      </span>
      <div className="min-w-0 flex-1">
        <p>
          <b>{title}</b> <span className="text-ink-2">· </span>
          {to ? (
            <Link className="inline-flex min-h-9 items-center text-ink-2 underline" to={to}>
              {placeText(finding)}
            </Link>
          ) : (
            <span className="text-ink-2">{placeText(finding)}</span>
          )}
        </p>
        <p className="text-[15px]">
          {why}
          {finding.answers && Object.keys(finding.answers).length > 0 && (
            <> {tell('Shown by: {answersText}.', { answersText: answersText(kit, finding.answers) })}</>
          )}
        </p>
        <p className="text-sm text-ink-2">
          {clears} <span className="figures">{tell('Rule {rule}', { rule: finding.rule })}</span>
        </p>
        {finding.severity === 'warning' && (
          <div className="mt-1 flex flex-wrap items-center gap-2">
            <label htmlFor={id} className="text-sm">
              {say('Let it stand because')}
            </label>
            <input
              id={id}
              className="min-h-11 min-w-48 flex-1 border-2 border-rule bg-sheet px-2 focus:border-ink"
              value={reason}
              onChange={(event) => onReason(event.target.value)}
              maxLength={500}
            />
          </div>
        )}
      </div>
    </li>
  );
}
