import { z } from 'zod';
import { Ref } from './act/fields.ts';

export const MESSAGE_CHANNELS = ['sms', 'mail'] as const;
export type MessageChannel = (typeof MESSAGE_CHANNELS)[number];

/** `waiting`: for its hour or its next try; `failed`: given up; `stopped`: taken back, or the owner wants none. */
export const MESSAGE_STATES = ['waiting', 'sent', 'delivered', 'failed', 'stopped'] as const;
export type MessageState = (typeof MESSAGE_STATES)[number];

/** Longest text of a message, characters. */
export const MESSAGE_LENGTH = 1000;

export const SendMessageSchema = z.strictObject({
  job: z.uuid(),
  /** What it is about, by its key in the job's list of what is due. */
  care: Ref,
  to: z.string().trim().min(3).max(200),
  text: z.string().trim().min(1).max(MESSAGE_LENGTH),
});
export type SendMessage = z.infer<typeof SendMessageSchema>;

export const ReplySchema = z.strictObject({ reply: z.string().trim().min(1).max(1000) });

export const RefusalSchema = z.strictObject({ address: z.string().trim().min(3).max(200), wants: z.boolean() });

/** A message to an owner and what came of it. */
export interface OwnerMessage {
  id: string;
  job: string;
  care: string;
  channel: MessageChannel;
  to: string;
  text: string;
  madeAtMs: number;
  madeBy: string;
  state: MessageState;
  tries: number;
  /** When it is sent, or tried again. */
  nextAtMs?: number;
  endedAtMs?: number;
  fault?: string;
  reply?: { text: string; atMs: number; by: string };
}

/** What is proposed to be sent, before a person has read it. */
export interface MessageDraft {
  to?: string;
  channel?: MessageChannel;
  text: string;
  /** Why it cannot be sent: no address, the owner wants none, or it was sent already. */
  not?: 'noAddress' | 'refused' | 'sentBefore';
}
