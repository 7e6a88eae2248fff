import { z } from 'zod';
import type { NoteSerial, SerialNoted } from '#core/job/act/note-serial.ts';
import { exactly } from '../exactly.ts';
import { Figured, Name, Ref } from './fields.ts';

export const NoteSerialSchema = exactly<NoteSerial>()(
  z.strictObject({ type: z.literal('noteSerial'), item: Ref, piece: Figured, serial: Name }),
);

export const SerialNotedSchema = exactly<SerialNoted>()(
  z.strictObject({ type: z.literal('serialNoted'), item: Ref, piece: z.number(), serial: z.string() }),
);
