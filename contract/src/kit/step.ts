import { z } from 'zod';
import type { Disconnect, RemovedThing, Step, StepAction } from '#core/kit/kit-step.ts';
import { PHASES } from '#core/kit/phase.ts';
import { exactly } from '../exactly.ts';
import { Count, conditional, Id, Place, Positive, Side, Text } from './field.ts';
import { PrintedSpecSchema } from './spec.ts';

export const RemovedThingSchema = exactly<RemovedThing>()(
  z.strictObject({
    ...conditional,
    name: Text,
    count: Count,
    fate: z.enum(['refit', 'transfer', 'keep', 'scrap']),
    note: Text.optional(),
    kind: z.enum(['bolt', 'nut', 'clip', 'part']).optional(),
    thread: z.string().max(40).optional(),
    lengthMm: Positive.max(5000).optional(),
    side: Side.optional(),
    place: Place.optional(),
    singleUse: z.boolean().optional(),
    replacedBy: Id.optional(),
    movesTo: Text.optional(),
    specs: z.array(PrintedSpecSchema).min(1).optional(),
  }),
);

export const DisconnectSchema = exactly<Disconnect>()(
  z.strictObject({
    ...conditional,
    name: Text,
    kind: z.enum(['connector', 'hose', 'cable', 'sensor', 'clip', 'line', 'cover', 'plug', 'other']),
    side: Side.optional(),
    place: Place.optional(),
    turns: z.number().positive().max(40).optional(),
  }),
);

const StepActionSchema = exactly<StepAction>()(
  z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('remove'), removed: Id }),
    z.strictObject({ type: z.literal('refit'), removed: Id, count: Count.optional() }),
    z.strictObject({ type: z.enum(['disconnect', 'reconnect']), disconnect: Id }),
    z.strictObject({ type: z.literal('fit'), item: Id }),
    z.strictObject({ type: z.enum(['start', 'snug', 'torque', 'verify']), group: Id }),
    z.strictObject({ type: z.literal('apply'), compound: Id }),
    z.strictObject({ type: z.literal('drill'), diameterMm: Positive.max(200), station: Id.optional() }),
    z.strictObject({ type: z.literal('measure'), baseline: Id }),
    z.strictObject({ type: z.literal('check'), check: Id }),
    z.strictObject({ type: z.enum(['lift', 'lower']), end: z.enum(['front', 'rear', 'whole']).optional() }),
    z.strictObject({ type: z.literal('wait'), minutes: Positive.max(20_160) }),
    z.strictObject({ type: z.enum(['loosen', 'retighten']), neighbour: Id }),
    z.strictObject({ type: z.literal('clear'), temporary: Id }),
    z.strictObject({ type: z.literal('decide'), irreversible: Id }),
    z.strictObject({ type: z.literal('followKit'), kit: Id, part: Text.optional() }),
    z.strictObject({ type: z.literal('do'), text: Text }),
  ]),
);

export const StepSchema = exactly<Step>()(
  z.strictObject({
    ...conditional,
    number: z.string().trim().min(1).max(12).optional(),
    text: z.string().trim().min(1).max(2000),
    phase: z.enum(PHASES),
    actions: z.array(StepActionSchema).max(40),
    minutes: Positive.max(10_000).optional(),
    people: z.number().int().min(1).max(20).optional(),
    needs: z.array(z.enum(['lift', 'stands', 'jack', 'helper', 'rideHeight', 'wheelsOff'])).optional(),
    after: z.array(Id).optional(),
  }),
);
