/** How a tool comes to a job that the crib cannot serve. */
export const TOOL_COMES = ['owned', 'borrowed', 'rented'] as const;
export type ToolComes = (typeof TOOL_COMES)[number];

/** A tool that was got for a job, from whom. */
export interface Arranged {
  how: ToolComes;
  from?: string;
}
