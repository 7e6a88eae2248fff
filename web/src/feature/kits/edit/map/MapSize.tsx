import { say } from '#contract/wording/say.ts';
import type { JointGroup } from '#core/kit/kit-document.ts';
import { CommitField } from '../../../../ui/CommitField.tsx';
import { useEditor } from '../editor-store.ts';
import { typedMm } from '../typed-mm.ts';

/** How large the map's sheet is. */
export function MapSize({ group }: { group: JointGroup }) {
  const change = useEditor((state) => state.change);
  return (
    <div className="flex gap-2">
      {(['widthMm', 'heightMm'] as const).map((field) => (
        <div key={field} className="w-28">
          <CommitField
            label={field === 'widthMm' ? say('Wide, mm') : say('High, mm')}
            className="figures text-right"
            value={String(group.map[field])}
            onCommit={(typed) => {
              const mm = typedMm(typed);
              if (!(mm >= 20 && mm <= 20_000)) return say('20 to 20000 mm.');
              return void change((draft) => {
                const map = draft.groups.find((entry) => entry.id === group.id)?.map;
                if (map) map[field] = Math.round(mm);
              });
            }}
          />
        </div>
      ))}
    </div>
  );
}
