import { z } from 'zod';
import { ConditionSchema } from '../condition.ts';

export const Id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, 'letters, digits, dot, dash and underscore, at most 64');
export const Text = z.string().trim().min(1).max(500);
export const Positive = z.number().positive();
export const Aliases = z.array(z.string().trim().min(1).max(120)).max(20);
/** A word the shop's kits share: the name of a spot on the vehicle, or of something it carries. */
export const Place = z.string().trim().min(1).max(80);
export const Side = z.enum(['left', 'right']);
/** Joints of this trade end far below; a larger figure is a lost decimal (M05). */
export const TorqueNm = z.number().positive().max(1500);
export const Tolerance = z.number().positive().max(0.5);

/** What most entries of a kit have: an id, and when they are in the plan. */
export const conditional = { id: Id, when: ConditionSchema.optional() };
export const Count = z.number().int().positive().max(1000);
