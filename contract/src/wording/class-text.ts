/** A property class as it is said: `class 10.9`, `grade 8`. A bare number beside a thread is mistaken for a length. */
import { say } from './say.ts';
export const classText = (propertyClass: string): string =>
  propertyClass.startsWith('grade') ? propertyClass : say('class {propertyClass}', { propertyClass });
