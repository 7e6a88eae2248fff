/** What is found out about a record or a pack. `altered`: it is not what was recorded. */
export interface Finding {
  code: string;
  severity: 'altered' | 'note';
  at?: number[];
  what?: string | string[];
  seq?: number;
  key?: string;
  why?: string;
  name?: string;
  count?: number;
}
export function verifyPath(path: string, key?: string): Finding[];
export function main(words: string[], print: (text: string) => void): number;
