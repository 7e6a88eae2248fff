import type { Skill } from '../job/skill.ts';
import { SKILLS } from '../job/skill.ts';
import type { Plan } from '../kit/plan.ts';
import { takesWheelsOff } from '../line/wheels-off.ts';
import { needsAlignment } from '../visit/raised-aftercare.ts';

/** Somebody of the shop, as far as who can do what goes. */
export interface Skilled {
  id: string;
  name: string;
  skills?: readonly Skill[];
}

/** What a step asks for by its words: common practice, no source. */
const BY_WORDS: Partial<Record<Skill, RegExp>> = {
  welding: /\b(?:weld(?:s|ed|ing)?|tack(?:ed)? on)\b(?![- ]?nuts?)/i,
  electrical:
    /\b(?:wiring|harness(?:es)?|loom|splic(?:e|es|ed|ing)|solder\w*|relays?|fuse (?:box|holder|tap)|crimp\w*)\b/i,
};

/** What this work asks of hands, in the order of the list of skills. */
export function skillsNeeded(plan: Plan): Skill[] {
  const wheels = plan.stations.some(({ tags }) => tags?.includes('wheel')) || takesWheelsOff(plan);
  const needed = new Set<Skill>();
  if (wheels) needed.add('wheels');
  // What is sent out is somebody else's skill.
  if (needsAlignment(plan) && plan.rules.aligner === 'ownRack') needed.add('alignment');
  for (const [skill, words] of Object.entries(BY_WORDS) as Array<[Skill, RegExp]>)
    if (plan.steps.some(({ text }) => words.test(text))) needed.add(skill);
  return SKILLS.filter((skill) => needed.has(skill));
}

/** A skill the work asks for that nobody who is to do it has, with those of the shop who have it. */
export interface SkillMissing {
  skill: Skill;
  /** Those who are to do the work; none where nobody is named yet. */
  named: string[];
  /** Who of the shop has it. */
  has: string[];
}

/**
 * Skills that are missing: among those named for the job, or in the whole shop where nobody is. A shop that keeps no skills
 * of anybody is asked nothing.
 */
export function skillsMissing(plan: Plan, people: readonly Skilled[], fitters: readonly string[] = []): SkillMissing[] {
  if (!people.some(({ skills = [] }) => skills.length > 0)) return [];
  const named = people.filter(({ id }) => fitters.includes(id));
  const asked = named.length > 0 ? named : people;
  return skillsNeeded(plan)
    .filter((skill) => !asked.some(({ skills = [] }) => skills.includes(skill)))
    .map((skill) => ({
      skill,
      named: named.map(({ name }) => name),
      has: people.filter(({ skills = [] }) => skills.includes(skill)).map(({ name }) => name),
    }));
}
