import { MOST_SESSION_HOURS, USUAL_SESSION_HOURS } from '#contract/shop.ts';
import { RULE_TEXT } from '#contract/wording/en/rules.ts';
import { say } from '#contract/wording/say.ts';
import { CommitField, typedNumber } from '../../ui/CommitField.tsx';
import { Rule } from './RuleFields.tsx';

/** How long a sign-in lasts. */
export function SessionHours({ hours, onHours }: { hours?: number; onHours: (hours: number) => void }) {
  return (
    <Rule text={RULE_TEXT.sessionHours}>
      <CommitField
        label={say('Hours, usual {usualSessionHours}', { usualSessionHours: USUAL_SESSION_HOURS })}
        className="figures max-w-32"
        value={String(hours ?? USUAL_SESSION_HOURS)}
        onCommit={(typed) => {
          const read = typedNumber(typed);
          return Number.isInteger(read) && read >= 1 && read <= MOST_SESSION_HOURS
            ? void onHours(read)
            : say('From 1 to {mostSessionHours}.', { mostSessionHours: MOST_SESSION_HOURS });
        }}
      />
    </Rule>
  );
}
