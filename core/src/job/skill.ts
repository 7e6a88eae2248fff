/** What a person of the shop may be known for; plan and readiness can ask for it. */
export const SKILLS = ['wheels', 'welding', 'electrical', 'alignment'] as const;
export type Skill = (typeof SKILLS)[number];
