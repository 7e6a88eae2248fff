import type { z } from 'zod';

type Plain = string | number | boolean | null | undefined;

/** Every path of fields in a type, optional ones too; six levels are deeper than any document of ours. */
type Paths<T, Deep extends unknown[] = []> = Deep['length'] extends 6
  ? never
  : T extends Plain
    ? never
    : T extends ReadonlyArray<infer Entry>
      ? Paths<Entry, [...Deep, 0]>
      : { [Key in keyof T & string]-?: Key | `${Key}.${Paths<T[Key], [...Deep, 0]>}` }[keyof T & string];

/** What a schema lacks of a type, or has beyond it, by path; `true` where they say the same. */
type Compared<T, Out> = [Exclude<Paths<T>, Paths<Out>>] extends [never]
  ? [Exclude<Paths<Out>, Paths<T>>] extends [never]
    ? [T] extends [Out]
      ? [Out] extends [T]
        ? true
        : { 'the schema allows what the type does not': Out }
      : { 'the type allows what the schema does not': T }
    : { 'the schema has more': Exclude<Paths<Out>, Paths<T>> }
  : { 'the schema lacks': Exclude<Paths<T>, Paths<Out>> };

/**
 * Holds a schema to a type of the core, both ways: a schema that lacks a field of the type, an optional one too, or has
 * one more, does not compile.
 *
 * @example exactly<Snug>()(z.strictObject({ type: z.literal('snug'), station: Ref, tool: z.enum(['hand', 'power']) }))
 */
export const exactly =
  <T>() =>
  <Schema extends z.ZodType>(
    schema: Compared<T, z.output<Schema>> extends true ? Schema : Compared<T, z.output<Schema>>,
  ): Schema =>
    schema as Schema;

/** The members of a table of schemas, as a union takes them: none can be forgotten. */
export const membersOf = <Schema extends z.ZodType>(table: Record<string, Schema>): [Schema, ...Schema[]] =>
  Object.values(table) as [Schema, ...Schema[]];
