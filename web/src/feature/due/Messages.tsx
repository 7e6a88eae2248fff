import { type FormEvent, useState } from 'react';
import type { DueItem } from '#contract/due.ts';
import { MESSAGE_LENGTH, type OwnerMessage } from '#contract/owner-message.ts';
import { MESSAGE_STATE_TEXT } from '#contract/wording/en/message.ts';
import { say } from '#contract/wording/say.ts';
import { isStop } from '#core/follow-up/message.ts';
import { api, call } from '../../shop/api.ts';
import { useChange, useMessageDraft } from '../../shop/queries.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';

const NOT_TEXT = {
  noAddress: say('No telephone number and no mail address is written down for this owner: put one in here, or call.'),
  refused: say('This owner wants no messages: call, or write by hand.'),
  sentBefore: say('The owner was told of this already. Nobody is told twice.'),
} as const;

/** A message of something due: read and changed by a person before it goes. */
export function WriteToOwner({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const { data: draft, failure } = useMessageDraft(item.job, item.care);
  const change = useChange('messages');
  const [to, setTo] = useState<string>();
  const [text, setText] = useState<string>();
  const address = to ?? draft?.to ?? '';
  const words = text ?? draft?.text ?? '';
  const blocked = draft?.not === 'sentBefore' || draft?.not === 'refused';
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const json = { job: item.job, care: item.care, to: address.trim(), text: words.trim() };
    if (await change.act(() => call(api.messages.$post({ json })))) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Write to the owner')}
      description={`${item.vehicle.owner}, ${item.vehicle.plate}`}
    >
      <form onSubmit={submit} className="grid gap-4">
        {!draft && !failure && <p className="text-ink-2">{say('One moment.')}</p>}
        {draft?.not && <p className={draft.not === 'noAddress' ? '' : 'font-bold text-bad'}>{NOT_TEXT[draft.not]}</p>}
        {draft && !blocked && (
          <>
            <FormField
              id="message-to"
              label={say('To')}
              hint={say('A telephone number for a short message, else a mail address.')}
            >
              <input
                id="message-to"
                maxLength={200}
                autoComplete="off"
                className={inputLook(undefined)}
                value={address}
                onChange={(event) => setTo(event.target.value)}
              />
            </FormField>
            <FormField
              id="message-text"
              label={say('Text')}
              hint={say(
                '{count} characters. It goes at once in the day; between eight in the evening and eight in the morning it waits.',
                { count: words.length },
              )}
            >
              <textarea
                id="message-text"
                rows={7}
                maxLength={MESSAGE_LENGTH}
                className={inputLook(undefined)}
                value={words}
                onChange={(event) => setText(event.target.value)}
              />
            </FormField>
          </>
        )}
        {(failure ?? change.failure) && (
          <p role="alert" className="font-bold text-bad">
            {failure ?? change.failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Not now')}</Button>
          <Button
            type="submit"
            tone="primary"
            disabled={!draft || blocked || change.busy || address.trim().length < 3 || words.trim() === ''}
          >
            {say('Send it')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** What was sent of something due, and what came back. */
export function Sent({ message, mayChange }: { message: OwnerMessage; mayChange: boolean }) {
  const change = useChange('messages');
  const [answering, setAnswering] = useState(false);
  const [reply, setReply] = useState('');
  const { id, to, state, fault, tries, nextAtMs, madeAtMs, endedAtMs, reply: answer } = message;
  const act = (work: () => Promise<unknown>) => void change.act(work);
  return (
    <div className="mt-2 border-l-4 border-rule pl-3 text-sm">
      <p className="break-words">
        {tell('{which} to {to}: {messageStateText}{fault}{tries}, {shopFormat}', {
          which: message.channel === 'sms' ? say('Short message') : say('Mail'),
          to: <span className="figures">{to}</span>,
          messageStateText: <b className={state === 'failed' ? 'text-bad' : ''}>{MESSAGE_STATE_TEXT[state]}</b>,
          fault: fault && `, ${fault}`,
          tries: tries > 1 && say(', tried {tries} times', { tries }),
          shopFormat: shopFormat(state === 'waiting' ? (nextAtMs ?? madeAtMs) : (endedAtMs ?? madeAtMs), 'd MMM HH:mm'),
        })}
      </p>
      {answer && (
        <p className="break-words">
          {tell('Answer: {text}  {by}', { text: answer.text, by: <span className="text-ink-2">({answer.by})</span> })}
          {isStop(answer.text) && <b> {say('No more messages go to this address.')}</b>}
        </p>
      )}
      {mayChange && !answering && (
        <div className="mt-1 flex flex-wrap gap-2">
          {state === 'waiting' && (
            <Button
              disabled={change.busy}
              onClick={() => act(() => call(api.messages[':id'].stop.$post({ param: { id } })))}
            >
              {say('Do not send it')}
            </Button>
          )}
          {(state === 'sent' || state === 'delivered') && !answer && (
            <Button onClick={() => setAnswering(true)}>{say('The owner answered')}</Button>
          )}
        </div>
      )}
      {answering && (
        <form
          className="mt-1 flex flex-wrap gap-2"
          onSubmit={async (event) => {
            event.preventDefault();
            const json = { reply: reply.trim() };
            if (await change.act(() => call(api.messages[':id'].reply.$post({ param: { id }, json }))))
              setAnswering(false);
          }}
        >
          <label className="min-w-48 flex-1">
            <span className="sr-only">{say('What the owner answered')}</span>
            <input
              className={inputLook(undefined)}
              maxLength={1000}
              placeholder={say('In writing or by telephone')}
              value={reply}
              onChange={(event) => setReply(event.target.value)}
            />
          </label>
          <Button type="submit" disabled={change.busy || reply.trim() === ''}>
            {say('Keep it')}
          </Button>
        </form>
      )}
      {change.failure && (
        <p role="alert" className="font-bold text-bad">
          {change.failure}
        </p>
      )}
    </div>
  );
}
