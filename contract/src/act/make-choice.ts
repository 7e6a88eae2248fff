import { z } from 'zod';
import type { ChoiceMade, MakeChoice } from '#core/job/act/make-choice.ts';
import { exactly } from '../exactly.ts';
import { Name, Ref } from './fields.ts';

export const MakeChoiceSchema = exactly<MakeChoice>()(
  z.strictObject({ type: z.literal('makeChoice'), choice: Ref, option: Ref, chosenBy: Name }),
);

export const ChoiceMadeSchema = exactly<ChoiceMade>()(
  z.strictObject({ type: z.literal('choiceMade'), choice: Ref, option: Ref, chosenBy: Name }),
);
