import { SKILLS } from '#core/job/skill.ts';
import { oneOf, someOf } from '../cell.ts';
import { type BookTable, type Column, needed, text } from './column.ts';

const COLUMNS: readonly Column[] = [
  needed(text('name', 'Name, as it stands on records', 'Wren Calder', 120, ['full name', 'employee', 'person'])),
  needed(text('initials', 'Initials', 'WC', 4, ['short', 'sign'])),
  {
    field: 'role',
    label: 'Role',
    also: ['position', 'job', 'function'],
    needed: true,
    read: oneOf({
      fitter: ['mechanic', 'technician', 'installer'],
      lead: ['foreman', 'manager', 'supervisor', 'master'],
      counter: ['service advisor', 'front desk', 'reception', 'parts'],
      apprentice: ['trainee', 'helper'],
    }),
    example: 'fitter',
  },
  text('mentor', 'Mentor, by initials', 'MV', 4, ['answers for', 'trainer']),
  {
    field: 'skills',
    label: 'Known for',
    also: ['skill', 'skills'],
    read: someOf(Object.fromEntries(SKILLS.map((skill) => [skill, []]))),
    example: 'welding, alignment',
  },
];

/** People of the shop. */
export const PERSON_TABLE: BookTable = { columns: COLUMNS, finish: (cells) => cells };
