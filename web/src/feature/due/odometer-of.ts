import { typedNumber } from '../../ui/CommitField.tsx';

/** An odometer is whole: what parts its digits are thousands. */
export const odometerOf = (typed: string): number =>
  typedNumber(/^\d{1,3}(?:[ .,'’]\d{3})+$/.test(typed.trim()) ? typed.replace(/\D/g, '') : typed);
