import { z } from 'zod';
import { LONGEST_WAIT_MINUTES } from '#core/kit/kit-document.ts';
import { type Disconnect, HELD_BY, type RemovedThing, type Step } from '#core/kit/kit-step.ts';
import { PHASES } from '#core/kit/phase.ts';
import {
  CLOCK_GATES,
  COMPARE_POINTS,
  HOLD_BY,
  JOINT_ACTIONS,
  type StepAction,
  THREAD_ENDS,
} from '#core/kit/step-action.ts';
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
    reuseUnknown: z.boolean().optional(),
    support: Text.optional(),
    heldBy: z.enum(HELD_BY).optional(),
    hangs: Text.optional(),
    replacedBy: Id.optional(),
    movesTo: Text.optional(),
    specs: z.array(PrintedSpecSchema).min(1).optional(),
  }),
);

export const DisconnectSchema = exactly<Disconnect>()(
  z.strictObject({
    ...conditional,
    name: Text,
    count: Count.optional(),
    tag: z.boolean().optional(),
    retires: z.boolean().optional(),
    kind: z.enum(['connector', 'hose', 'cable', 'sensor', 'clip', 'line', 'cover', 'plug', 'other']),
    side: Side.optional(),
    place: Place.optional(),
    turns: z.number().positive().max(40).optional(),
  }),
);

/** What any action may say beside its own data. */
const acting = {
  methods: z
    .array(z.strictObject({ name: Text, right: z.boolean(), why: Text }))
    .min(2)
    .max(8)
    .optional(),
  cautions: z.array(Id).min(1).max(20).optional(),
  figure: Id.optional(),
};
const Places = z.array(z.string().trim().min(1).max(120)).min(1).max(40);
const Minutes = Positive.max(LONGEST_WAIT_MINUTES);
const Celsius = z.number().min(-40).max(1000);
const action = <Type extends string, Shape extends z.ZodRawShape>(type: Type, shape: Shape) =>
  z.strictObject({ type: z.literal(type), ...shape, ...acting });
const actionOf = <const Types extends readonly [string, ...string[]], Shape extends z.ZodRawShape>(
  types: Types,
  shape: Shape,
) => z.strictObject({ type: z.enum(types), ...shape, ...acting });

const StepActionSchema = exactly<StepAction>()(
  z.discriminatedUnion('type', [
    action('slacken', { removed: Id, to: z.enum(['inPlace', 'threadEnd']) }),
    action('remove', { removed: Id }),
    action('refit', { removed: Id, count: Count.optional() }),
    actionOf(['swingAside', 'swingBack'], { removed: Id }),
    action('support', { removed: Id, with: Text.optional() }),
    action('compare', { removed: Id, item: Id, points: z.array(z.enum(COMPARE_POINTS)).min(1) }),
    action('moveOver', { removed: Id, facing: Text.optional(), seal: Text.optional() }),
    actionOf(['disconnect', 'reconnect'], { disconnect: Id }),
    action('windBack', { disconnect: Id }),
    actionOf(['loosen', 'retighten'], { neighbour: Id }),
    actionOf(['putOn', 'clear'], { temporary: Id }),
    action('refitForNow', { temporary: Id }),
    actionOf(['lift', 'lower'], { end: z.enum(['front', 'rear', 'whole']).optional() }),
    actionOf(['clean', 'dry'], { places: Places, with: Text.optional() }),
    action('chase', { places: Places, thread: z.string().trim().min(1).max(40) }),
    action('soak', { places: Places, minutes: Minutes, with: Text.optional() }),
    action('coolDown', { what: Text, minutes: Minutes.optional(), belowC: Celsius.optional() }),
    action('warmUp', { what: Text, minutes: Minutes.optional(), aboveC: Celsius.optional() }),
    action('measure', { baseline: Id }),
    actionOf(['check', 'test'], { check: Id }),
    action('drill', {
      diameterMm: Positive.max(200),
      size: z.string().trim().min(1).max(40).optional(),
      station: Id.optional(),
      template: Text.optional(),
      pilotMm: Positive.max(200).optional(),
      edgeMm: Positive.max(2000).optional(),
      treatWith: Text.optional(),
    }),
    action('ream', { what: Text, diameterMm: Positive.max(200) }),
    actionOf(['cut', 'bend'], { what: Text, irreversible: Id.optional() }),
    action('decide', { irreversible: Id }),
    action('choose', { choice: Id }),
    action('apply', {
      compound: Id,
      group: Id.optional(),
      end: z.enum(THREAD_ENDS).optional(),
      zone: Text.optional(),
    }),
    action('leaveDry', { group: Id }),
    action('fit', { item: Id }),
    action('buildStack', { station: Id }),
    action('press', {
      item: Id,
      into: Text.optional(),
      minMm: z.number().min(0).max(2000).optional(),
      maxMm: Positive.max(2000).optional(),
      measureFit: z.literal(true).optional(),
    }),
    action('preset', {
      what: Text,
      places: Places,
      lengthMm: Positive.max(5000).optional(),
      baseline: Id.optional(),
      pitchMm: Positive.max(10),
      movingEnds: z.union([z.literal(1), z.literal(2)]),
      leftHand: z.boolean().optional(),
      inMeshMm: Positive.max(300),
      longestMm: Positive.max(5000).optional(),
    }),
    action('shim', {
      what: Text,
      places: z.array(Text).min(2).max(4),
      shims: z.array(Id).min(1).max(8),
      spacerMm: Positive.max(200).optional(),
      spreadMm: Positive.max(50).optional(),
      openMm: Positive.max(10),
    }),
    action('align', {
      check: Id,
      authorityDeg: Positive.max(6).optional(),
      lobeOut: z.enum(['topOut', 'topIn']).optional(),
      startDeg: z.number().min(-90).max(90).optional(),
    }),
    actionOf(JOINT_ACTIONS, { group: Id }),
    action('hold', {
      group: Id,
      by: z.enum(HOLD_BY),
      with: Text.optional(),
      say: Text.optional(),
      otherwise: Text.optional(),
    }),
    actionOf(['grease', 'bleed'], { places: Places, with: Text.optional() }),
    action('fill', {
      what: Text,
      with: Text.optional(),
      amount: Positive.max(1000).optional(),
      unit: z.enum(['L', 'mL', 'kg', 'g']).optional(),
    }),
    action('wait', { minutes: Minutes, gates: z.array(z.enum(CLOCK_GATES)).min(1).optional() }),
    action('followKit', { kit: Id, part: Text.optional() }),
    action('do', { text: Text }),
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
    side: Side.optional(),
    after: z.array(Id).optional(),
  }),
);
