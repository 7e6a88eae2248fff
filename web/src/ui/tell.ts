import { createElement, Fragment, type ReactNode } from 'react';
import { formatOf } from '#contract/wording/say.ts';

/** A message whose places hold pieces of the page: figures set bold, a link, a list. @see say */
export function tell(message: string, values: Readonly<Record<string, ReactNode>>): ReactNode {
  const told = formatOf(message).format<ReactNode>(values);
  return Array.isArray(told) ? createElement(Fragment, null, ...told) : told;
}
