/** What the practice job says on each of its screens. */
import { inLanguage } from '../say.ts';
export const PRACTICE_HINTS: Readonly<Record<string, { title: string; hint: string }>> = inLanguage({
  'check-in': {
    title: '1 of 4 · Count the bag',
    hint: 'Hold every line against what lies before you. Space says that all of it is here; type a number where it is not. One washer is to spare, as in many kits.',
  },
  line: {
    title: '2 of 4 · Work the line',
    hint: 'The big words say what to do, and the bar at the foot says that it is done. Where a number is asked, measure and type it: try 9 mm for the gap and see what happens. For the torque say that the wrench is set, then type what it read; a number below the band is refused.',
  },
  'close-out': {
    title: '3 of 4 · Close it',
    hint: 'What is left over is counted, so that no bolt is missing from the vehicle. Then it is signed with your own PIN, as a real one is.',
  },
  record: {
    title: '4 of 4 · The record',
    hint: 'Every pull with who, when and with what. A real one is chained and sealed, and stands. This one is gone when you leave it.',
  },
});

export const PRACTICE = inLanguage({
  nothing: 'Practice: nothing you do here is kept.',
  again: 'Begin anew',
  end: 'End the practice',
  begin: 'Practise on a job that leaves no trace',
  tenMinutes: 'A small kit from its bag to its record, in ten minutes, with a word on each screen.',
});
