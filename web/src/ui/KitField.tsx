import { say } from '#contract/wording/say.ts';
import { FormField, inputLook } from './FormField.tsx';

/** One of the shop's kits, picked by its title. */
export function KitField({
  id,
  kits = [],
  kit,
  onKit,
}: {
  id: string;
  /** Undefined while they are read. */
  kits?: ReadonlyArray<{ id: string; title: string }>;
  /** Empty where none is picked. */
  kit: string;
  onKit: (kit: string) => void;
}) {
  return (
    <FormField id={id} label={say('Kit')}>
      <select id={id} className={inputLook(undefined)} value={kit} onChange={(event) => onKit(event.target.value)}>
        <option value="">{say('which?')}</option>
        {kits.map((one) => (
          <option key={one.id} value={one.id}>
            {one.title}
          </option>
        ))}
      </select>
    </FormField>
  );
}
