import { z } from 'zod';
import type { ArrangeTool, ToolArranged } from '#core/job/act/arrange-tool.ts';
import { TOOL_COMES } from '#core/job/arranged-tool.ts';
import { exactly } from '../exactly.ts';
import { Key, Name } from './fields.ts';

const what = { tool: Key, how: z.enum(TOOL_COMES), from: Name.optional() };

export const ArrangeToolSchema = exactly<ArrangeTool>()(z.strictObject({ type: z.literal('arrangeTool'), ...what }));

export const ToolArrangedSchema = exactly<ToolArranged>()(z.strictObject({ type: z.literal('toolArranged'), ...what }));
