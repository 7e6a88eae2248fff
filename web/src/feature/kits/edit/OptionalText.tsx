import { CommitField } from '../../../ui/CommitField.tsx';

/** Words that may be left out: emptied, the field goes away. */
export function OptionalText({
  label,
  value,
  onChange,
}: {
  label: string;
  value?: string;
  onChange: (text: string | undefined) => void;
}) {
  return (
    <CommitField
      label={label}
      value={value ?? ''}
      onCommit={(typed) => {
        onChange(typed.trim() === '' ? undefined : typed.trim());
        return undefined;
      }}
    />
  );
}
