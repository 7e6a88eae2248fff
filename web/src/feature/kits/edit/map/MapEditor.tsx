import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { Button } from '../../../../ui/Button.tsx';
import { freshId, useEditor, useKit } from '../editor-store.ts';
import { LOOK } from '../look.ts';
import { GroupMap } from './GroupMap.tsx';

/** The bolt map: where every station of a group lies, with the outlines behind them. */
export function MapEditor() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  const [groupId, setGroupId] = useState<string>();
  const group = kit.groups.find((entry) => entry.id === groupId) ?? kit.groups[0];
  const addGroup = () =>
    change((draft) => {
      const id = freshId(draft.groups, `g${draft.groups.length + 1}`);
      draft.groups.push({
        id,
        title: say('Joint group {count}', { count: draft.groups.length + 1 }),
        map: {
          title: say('Joint group {count}', { count: draft.groups.length + 1 }),
          note: '',
          widthMm: 600,
          heightMm: 400,
          shapes: [],
        },
        stations: [],
      });
      setGroupId(id);
    });
  const picker = (
    <>
      {kit.groups.length > 0 && (
        <label className="flex items-center gap-2">
          <span className="text-sm text-ink-2">{say('Group')}</span>
          <select className={`max-w-72 ${LOOK}`} value={group?.id} onChange={(event) => setGroupId(event.target.value)}>
            {kit.groups.map((entry) => (
              <option key={entry.id} value={entry.id}>
                {entry.title}
              </option>
            ))}
          </select>
        </label>
      )}
      <Button className="min-h-11!" onClick={addGroup}>
        {say('Add a group')}
      </Button>
    </>
  );
  if (group) return <GroupMap key={group.id} kit={kit} group={group} picker={picker} />;
  return (
    <div className="p-4">
      {picker}
      <p className="mt-4 text-ink-2">
        {say('No group yet. A group is what is tightened together: add one, then lay its bolts out.')}
      </p>
    </div>
  );
}
