import { render } from '@testing-library/react';

/** What is drawn, for tests that look at it. */
export const draw = (what: React.ReactElement): HTMLElement => render(what).container;
export const inSvg = (what: React.ReactElement): HTMLElement => draw(<svg aria-hidden="true">{what}</svg>);
export const all = (from: Element, selector: string): Element[] => [...from.querySelectorAll(selector)];
export const number = (from: Element | null | undefined, name: string): number => Number(from?.getAttribute(name));
export const points = (polygon: Element | null): Array<[number, number]> =>
  (polygon?.getAttribute('points') ?? '').split(' ').map((pair) => pair.split(',').map(Number) as [number, number]);
