import { boxed, type Drawn, type DrawnItem, HOLE, INK, type SizedItem, STEEL } from './drawn.ts';

/** A clamp is drawn closed as far as it opens: the largest it holds. */
const opening = (item: SizedItem | DrawnItem): number => item.outsideMm ?? item.insideMm ?? 50;
const lacks: Drawn['lacks'] = ({ outsideMm, insideMm }) =>
  outsideMm === undefined && insideMm === undefined ? 'size' : undefined;
const box: Drawn['box'] = (item) => {
  const r = opening(item) / 2;
  return boxed(-r - 2, r + 2, r + 14);
};

/** The band from its end. */
function Band({ r, wide = 1.6 }: { r: number; wide?: number }) {
  return (
    <>
      <circle r={r} fill="none" stroke="var(--ink)" strokeWidth={wide + 0.8} />
      <circle r={r} fill="none" stroke="var(--steel)" strokeWidth={wide} />
    </>
  );
}

/** Slots all round, and the screw in its housing that runs in them. */
export const wormClamp: Drawn = {
  lacks,
  box,
  Draw({ item }) {
    const r = opening(item) / 2;
    return (
      <g>
        <Band r={r} />
        <rect x={-8} y={-r - 9} width={16} height={9} rx={2} {...STEEL} />
        <path
          d={[-5, -2.5, 0, 2.5, 5].map((x) => `M${x} ${-r - 8}L${x + 1.5} ${-r - 2}`).join('')}
          fill="none"
          {...INK}
        />
        <rect x={8} y={-r - 8} width={5} height={7} {...STEEL} />
      </g>
    );
  },
};

/** A broad band, its two loops drawn together by a bolt with a spring-loaded or plain T head. */
export const tBoltClamp: Drawn = {
  lacks,
  box,
  Draw({ item }) {
    const r = opening(item) / 2;
    return (
      <g>
        <Band r={r} wide={2.2} />
        {[-1, 1].map((side) => (
          <circle key={side} cx={side * 7} cy={-r - 5} r={4} {...STEEL} />
        ))}
        <rect x={-14} y={-r - 6.5} width={30} height={3} {...STEEL} />
        <rect x={13} y={-r - 9} width={5} height={8} {...STEEL} />
      </g>
    );
  },
};

/** Two halves with a V inside that draw two flanges together; the second ring is the flange's edge. */
export const vBand: Drawn = {
  lacks,
  box,
  Draw({ item }) {
    const r = opening(item) / 2;
    return (
      <g>
        <Band r={r} wide={5} />
        <circle r={r - 4} fill="none" {...INK} />
        <path d={`M0 ${r - 3}V${r + 4}`} {...INK} strokeWidth={3} />
        <rect x={-9} y={-r - 10} width={7} height={11} {...STEEL} />
        <rect x={3} y={-r - 10} width={7} height={11} {...STEEL} />
        <rect x={-14} y={-r - 7} width={28} height={3} {...STEEL} />
      </g>
    );
  },
};

/** A spring that is opened by its two ears. */
export const springBand: Drawn = {
  lacks,
  box,
  Draw({ item }) {
    const r = opening(item) / 2;
    return (
      <g>
        <Band r={r} wide={2} />
        <path d={`M-3 ${-r}L-8 ${-r - 9}M3 ${-r}L8 ${-r - 9}`} fill="none" {...INK} strokeWidth={4} />
        <rect x={-2} y={-r - 2} width={4} height={4} {...HOLE} stroke="none" />
      </g>
    );
  },
};
