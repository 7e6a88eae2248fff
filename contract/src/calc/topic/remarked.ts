import { type Remark, remarkTone, type Tone } from '#core/bench/remark.ts';

/** An answer whose remarks carry their weight, for a reader without the table of tones. */
export const remarked = <Answer extends { remarks: Remark[] }>({
  remarks,
  ...answer
}: Answer): Omit<Answer, 'remarks'> & { remarks: Array<Remark & { tone: Tone }> } => ({
  ...answer,
  remarks: remarks.map((remark) => ({ ...remark, tone: remarkTone(remark) })),
});
