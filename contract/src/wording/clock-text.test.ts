import { describe, expect, it } from '@jest/globals';
import { lineOf } from '#core/line/line.ts';
import { kitOfActs } from '#demo/any-acts.ts';
import { openKit } from '#demo/try-job.ts';
import { clockName } from './clock-text.ts';

describe('what a clock is for', () => {
  const { plan } = openKit(kitOfActs([{ type: 'wait', minutes: 1440, gates: ['tow'] }]));
  const [group] = plan.groups;
  it('says the joints whose compound sets, and which of its times', () => {
    const title = group?.title ?? '';
    expect(clockName(plan, { kind: 'fixture', group: group?.id })).toBe(`${title}: handling strength`);
    expect(clockName(plan, { kind: 'cure', group: group?.id })).toBe(`${title}: full cure`);
    expect(clockName(plan, { group: group?.id })).toBe(title);
  });
  it('or the sheet’s own words of the step that waits', () => {
    const act = lineOf(plan)
      .steps.flatMap(({ acts }) => acts)
      .find(({ action }) => action.type === 'wait');
    const step = plan.steps.find(({ id }) => id === act?.step);
    expect(clockName(plan, { kind: 'wait', act: act?.id })).toBe(step?.text.replace(/\.$/, ''));
  });
  it('what the plan does not know is named by its id', () => {
    expect(clockName(plan, { act: 'gone' })).toBe('gone');
    expect(clockName(plan, { group: 'gone' })).toBe('gone');
  });
});
