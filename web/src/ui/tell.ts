import { createElement, Fragment, type ReactNode } from 'react';
import { formatOf, told } from '#contract/wording/say.ts';

/** A message whose places hold pieces of the page: figures set bold, a link, a list. @see say */
export function tell(message: string, values: Readonly<Record<string, ReactNode>>): ReactNode {
  const given = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, told(value)]));
  const parts = formatOf(message).format<ReactNode>(given);
  return Array.isArray(parts) ? createElement(Fragment, null, ...parts) : parts;
}
