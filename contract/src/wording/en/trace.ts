import type { Evidence } from '#core/trace/judge-trace.ts';
import type { TraceKind } from '#core/trace/pull-trace.ts';
import { inLanguage } from '../say.ts';

/** What a kind of pull is called, what to do with this joint now, and what it means for the ones beside it. */
export interface TraceWords {
  name: string;
  now: string;
  beside: string;
}

export const TRACE_WORDS: Record<TraceKind, TraceWords> = inLanguage({
  good: { name: 'Good joint', now: 'Go on.', beside: 'Nothing.' },
  crossed: {
    name: 'Thread crossed or dirty',
    now: 'Back it out by hand and look at both threads. Clean or chase them, start it again with the fingers. The torque went into the thread, not into the clamp.',
    beside: 'The same hand started them: turn each by hand before it is torqued.',
  },
  bottomed: {
    name: 'Bolt on the ground of its hole',
    now: 'Take it out. Measure the bolt against the depth of the hole and the parts between: too long, or the hole is full of locker, oil or dirt. The head clamps nothing.',
    beside: 'Bolts of the same line are as long: measure one before the next is pulled.',
  },
  notSeated: {
    name: 'Head or washer was not seated',
    now: 'It fell into place during the pull. Loosen it, see that washer, collar and part lie flat, and pull it again.',
    beside: 'The part may have moved: look at the joints beside it, and go round once more.',
  },
  stripping: {
    name: 'A thread gives way',
    now: 'Stop. Do not turn on. Take it out and look at both threads: an insert or a new part, and the lead decides.',
    beside: 'They carry what this one does not. Nothing beside it is final until it is mended.',
  },
  yielding: {
    name: 'The bolt stretches for good',
    now: 'Stop. Loosen it and put a new one in. Too weak a class, too slippery, or a wrench that reads low.',
    beside: 'See whether the others are of the same class and have the same on their threads.',
  },
  slippery: {
    name: 'Slipperier than planned',
    now: 'The bolt carries more than it should at this torque. See what is on the thread: oil or paste where it should be dry? Clean it, or let the lead choose another figure.',
    beside: 'If they were treated alike they are overloaded alike.',
  },
  dry: {
    name: 'Drier than planned',
    now: 'The bolt carries less than it should at this torque. See whether what belongs on the thread is on it, and whether the face under the head is clean.',
    beside: 'If they were treated alike they clamp too little alike.',
  },
  soft: {
    name: 'Soft joint, it settles',
    now: 'Something between gives: paint, a gasket, a bush, a bent part. Go round again until nothing moves, and look at what is clamped.',
    beside: 'Each pull lets the ones before it slacken: one more round over the group.',
  },
  alreadyTight: {
    name: 'It did not move',
    now: 'It stood at this torque already: a click without movement proves only that it is not looser. Unless it is a check, back it off and pull again.',
    beside: 'If a power tool ran them down, the others may stand over their torque as well.',
  },
  stickSlip: {
    name: 'It hangs and jumps',
    now: 'Head or thread sticks and lets go: the torque at the click says little. Loosen it, clean the face under the head, and pull slowly without stopping.',
    beside: 'Same washers, same faces: look before the next.',
  },
  overrun: {
    name: 'Run over its torque',
    now: 'It went past its window. Loosen it, see whether the bolt may be used again, and pull it with a wrench.',
    beside: 'What the same tool ran down may be over as well: check them, backing each off first.',
  },
  wrongStiffness: {
    name: 'Not the joint it should be',
    now: 'It rises as no joint of this bolt and these parts can, whatever is on the thread. See length, class and what lies between against the sheet.',
    beside: 'A long and a short bolt may have changed places: look at the others.',
  },
  cannotTell: {
    name: 'The curve does not say',
    now: 'Nothing is known against it, and nothing for it. What the wrench shows counts.',
    beside: 'Nothing.',
  },
});

/** What speaks for a verdict. Figures come with their units from the reader's own system. */
export const EVIDENCE: Record<Evidence['sign'], string> = inLanguage({
  steep: 'rises {value} a degree{span, select, none {} other {; a sound joint of this kind {span}}}',
  ended: 'peak {value}{span, select, none {} other {; window {span}}}',
  turned: 'only {value} of turning under load{span, select, none {} other {; a sound joint needs {span}}}',
  stood: 'only {value} of turning in all',
  ran: '{value} of free run before',
  early: 'under torque for {value} before the parts were tight',
  long: 'under torque for {value} before the parts were tight',
  earlyLoad: '{value} on it before the parts were tight',
  edge: 'a first rise at {value} of the later steepness',
  drop: 'fell by {value} on the way',
  flat: 'turned {value} on the way without getting tighter',
  paused: 'turned {value} on the way without getting tighter',
  jerks: '{value, plural, one {# jump} other {# jumps}} on the way up',
  gave: 'turned {value} at the end with hardly more torque',
  fell: '{value} of its torque lost while it was turned on',
  kneeOfYield: 'gave at {value}{span, select, none {} other {; this class yields {span}}}',
  settled: '{value} of its torque lost while it stood still',
  noise: 'the reading scatters by {value} of the target',
  readings: '{value, plural, one {a single reading} other {# readings}}, too few to see a rise in',
});
