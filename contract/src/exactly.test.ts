import { expect, it } from '@jest/globals';
import { z } from 'zod';
import { exactly } from './exactly.ts';

/** What must not compile is held by the type check: an unused expectation of an error is an error itself. */
interface Bolt {
  kind: 'bolt';
  lengthMm: number;
  finish?: string;
  hole?: { diameterMm?: number };
}
const hole = z.strictObject({ diameterMm: z.number().optional() }).optional();
const whole = { kind: z.literal('bolt'), lengthMm: z.number(), finish: z.string().optional(), hole };

it('a schema that says what the type says compiles, and is itself', () => {
  const schema = z.strictObject(whole);
  expect(exactly<Bolt>()(schema)).toBe(schema);
});
it('one that lacks an optional field, has one more, or says it wider does not', () => {
  const { finish: _, ...lacking } = whole;
  // @ts-expect-error lacks finish
  exactly<Bolt>()(z.strictObject(lacking));
  // @ts-expect-error has one more, optional
  exactly<Bolt>()(z.strictObject({ ...whole, mark: z.string().optional() }));
  // @ts-expect-error lacks a field one level down
  exactly<Bolt>()(z.strictObject({ ...whole, hole: z.strictObject({}).optional() }));
  // @ts-expect-error a length is a number
  exactly<Bolt>()(z.strictObject({ ...whole, lengthMm: z.union([z.number(), z.string()]) }));
  // @ts-expect-error lacks a member of the list
  exactly<'front' | 'rear'>()(z.enum(['front']));
  expect(Object.keys(lacking)).not.toContain('finish');
});
