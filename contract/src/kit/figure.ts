import { z } from 'zod';
import type { KitFigure } from '#core/kit/kit-document.ts';
import { exactly } from '../exactly.ts';
import { Id, Text } from './field.ts';

const Sha256Hex = z.string().regex(/^[0-9a-f]{64}$/);

export const KitFigureSchema = exactly<KitFigure>()(
  z.strictObject({ id: Id, name: Text, picture: Sha256Hex, page: Sha256Hex.optional() }),
);
