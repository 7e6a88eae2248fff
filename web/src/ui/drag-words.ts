import type { Announcements, ScreenReaderInstructions } from '@dnd-kit/core';
import { say } from '#contract/wording/say.ts';

/** What a reader is told of a handle that something is put in order by. */
export const dragInstructions = (): ScreenReaderInstructions => ({
  draggable: say('Space lifts it, arrows move it, Space puts it down, Escape leaves it where it was.'),
});

/** What a reader is told while an entry of a list is moved. @param placeOf - an entry's place in its list, from 1 */
export const dragAnnouncements = (placeOf: (id: string | number) => number): Announcements => ({
  onDragStart: ({ active }) => say('Number {place} is lifted.', { place: placeOf(active.id) }),
  onDragOver: ({ over }) => (over ? say('Over number {place}.', { place: placeOf(over.id) }) : undefined),
  onDragEnd: ({ over }) => (over ? say('Put down as number {place}.', { place: placeOf(over.id) }) : undefined),
  onDragCancel: () => say('It stays where it was.'),
});
