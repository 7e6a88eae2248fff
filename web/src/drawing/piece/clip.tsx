import { boxed, type Drawn, type DrawnItem, HOLE, INK, lengthOnly, type SizedItem, SOFT, STEEL } from './drawn.ts';

/** What a ring belongs to: the shaft it sits on, or the bore it sits in. */
const seat = (item: SizedItem): number | undefined =>
  item.form === 'circlipInside' ? (item.outsideMm ?? item.insideMm) : (item.insideMm ?? item.outsideMm);

/**
 * An open ring with an eye at each end. Free, the outer one is about a fifteenth smaller than its shaft, the inner one as
 * much larger than its bore; it is widest opposite its gap (DIN 471 and DIN 472, proportions from memory).
 */
export const circlip: Drawn = {
  lacks: (item) => (seat(item) === undefined ? 'size' : undefined),
  box(item) {
    const r = ((seat(item) ?? 20) / 2) * 1.3;
    return boxed(-r, r, r);
  },
  Draw({ item }) {
    const r = (seat(item) ?? 20) / 2;
    const inner = item.form === 'circlipInside';
    const at = r * (inner ? 1.03 : 1);
    const [gapX, gapY] = [at * Math.cos(0.35), at * Math.sin(0.35)];
    const eye = inner ? 0.8 : 1.14;
    return (
      <g>
        <path
          d={`M${gapX} ${gapY}A${at} ${at} 0 1 1 ${gapX} ${-gapY}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={r * 0.2}
        />
        <path
          d={`M${gapX} ${gapY}A${at} ${at} 0 1 1 ${gapX} ${-gapY}`}
          fill="none"
          stroke="var(--steel)"
          strokeWidth={r * 0.15}
        />
        {[-1, 1].map((side) => (
          <g key={side}>
            <circle cx={gapX * eye} cy={side * gapY * eye} r={r * 0.14} {...STEEL} />
            <circle cx={gapX * eye} cy={side * gapY * eye} r={r * 0.06} {...HOLE} />
          </g>
        ))}
      </g>
    );
  },
};

const disc = (item: Pick<DrawnItem, 'outsideMm' | 'insideMm'>): number =>
  (item.outsideMm ?? (item.insideMm ?? 7) * 2) / 2;
const anySize: Drawn['lacks'] = ({ outsideMm, insideMm }) =>
  outsideMm === undefined && insideMm === undefined ? 'size' : undefined;

/** From the side: a head, and barbed legs that spread behind the sheet. */
export const pushIn: Drawn = {
  lacks: anySize,
  box: (item) => boxed(0, item.lengthMm ?? disc(item) * 2.2, disc(item)),
  Draw({ item }) {
    const r = disc(item);
    const length = item.lengthMm ?? r * 2.2;
    const leg = (item.insideMm ?? r * 0.9) / 2;
    return (
      <g>
        <path d={`M0 0Q0 ${-r} ${length * 0.14} ${-r}V${r}Q0 ${r} 0 0Z`} {...SOFT} />
        <path
          d={`M${length * 0.14} ${-leg}H${length * 0.4}L${length * 0.5} ${-leg * 1.5}L${length} 0L${length * 0.5} ${leg * 1.5}L${length * 0.4} ${leg}H${length * 0.14}Z`}
          {...SOFT}
        />
        <path d={`M${length * 0.25} 0H${length * 0.9}`} {...INK} />
      </g>
    );
  },
};

/** A strap about a line, with the hole it hangs by. */
export const pClip: Drawn = {
  lacks: anySize,
  box: (item) => boxed(-disc(item), disc(item) * 2.6, disc(item)),
  Draw({ item }) {
    const r = disc(item);
    return (
      <g>
        <rect x={0} y={r * 0.62} width={r * 2.6} height={r * 0.38} {...STEEL} />
        <circle r={r * 0.86} fill="none" stroke="var(--ink)" strokeWidth={r * 0.3} />
        <circle r={r * 0.86} fill="none" stroke="var(--steel)" strokeWidth={r * 0.22} />
        <path d={`M${r * 2} ${r * 0.55}V${r * 1.05}`} {...INK} strokeWidth={3} />
      </g>
    );
  },
};

export const tie: Drawn = {
  lacks: lengthOnly,
  box: (_, { lengthMm }) => boxed(0, lengthMm, 4),
  Draw: ({ shape: { lengthMm } }) => (
    <g>
      <rect x={0} y={-3.5} width={7} height={7} {...SOFT} />
      <path d={`M7 -2H${lengthMm - 6}L${lengthMm} 0L${lengthMm - 6} 2H7Z`} {...SOFT} />
    </g>
  ),
};

/** Head, body and the mandrel that breaks off. */
export const blindRivet: Drawn = {
  lacks: anySize,
  box: (item) => boxed(-disc(item) * 3, item.lengthMm ?? disc(item) * 3, disc(item)),
  Draw({ item }) {
    const r = disc(item);
    const length = item.lengthMm ?? r * 3;
    return (
      <g>
        <path d={`M${-r * 3} 0H0`} {...INK} strokeWidth={2.5} />
        <path d={`M0 ${-r}Q${-r * 0.5} 0 0 ${r}Z`} {...STEEL} />
        <rect x={0} y={-r * 0.5} width={length} height={r} {...STEEL} />
      </g>
    );
  },
};

/** Rubber with a groove for the sheet's edge, from its front. */
export const grommet: Drawn = {
  lacks: anySize,
  box: (item) => boxed(-disc(item), disc(item), disc(item)),
  Draw: ({ item }) => (
    <>
      <circle r={disc(item)} {...SOFT} />
      <circle r={disc(item) * 0.75} fill="none" {...INK} />
      <circle r={(item.insideMm ?? disc(item) * 0.8) / 2} {...HOLE} />
    </>
  ),
};

/** A clip of which only the size is known. */
export const clip: Drawn = {
  lacks: ({ outsideMm }) => (outsideMm === undefined ? 'size' : undefined),
  box: (item) => boxed(-disc(item), disc(item), disc(item)),
  Draw: ({ item }) => (
    <>
      <circle r={disc(item)} {...STEEL} />
      {item.insideMm && <circle r={item.insideMm / 2} {...HOLE} />}
    </>
  ),
};
