import { say } from '#contract/wording/say.ts';
import type { RideHeight } from '#core/kit/kit-document.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';

/** The ride height as a number: where it is measured, and between what. */
export function RideHeightFields({
  height,
  onHeight,
}: {
  height: RideHeight | undefined;
  onHeight: (height: RideHeight | undefined) => void;
}) {
  const bound = (end: 'min' | 'max', label: string) => (
    <CommitField
      label={label}
      className="figures"
      value={height?.[end] === undefined ? '' : String(height[end])}
      onCommit={(typed) => {
        if (!height) return say('Say first where it is measured.');
        const { [end]: _, ...left } = height;
        if (typed.trim() === '') return void onHeight(left as RideHeight);
        const value = typedNumber(typed);
        if (!(value > 0 && value <= 3000)) return say('Above 0, up to 3000 mm.');
        return void onHeight({ ...left, [end]: value } as RideHeight);
      }}
    />
  );
  return (
    <div className="grid gap-2">
      <CommitField
        label={say('Ride height measured at, with commas, up to four')}
        value={height?.places.join(', ') ?? ''}
        onCommit={(typed) => {
          const places = typed
            .split(',')
            .map((place) => place.trim())
            .filter(Boolean);
          if (places.length > 4) return say('Four places at most.');
          return void onHeight(places.length > 0 ? { ...height, places } : undefined);
        }}
      />
      {height && (
        <div className="grid grid-cols-2 gap-2">
          {bound('min', say('At least, mm'))}
          {bound('max', say('At most, mm'))}
        </div>
      )}
    </div>
  );
}
