import { useState } from 'react';
import { distribute, inLine, type LayoutPattern, placesIn } from '#core/geometry/layout.ts';
import type { Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { Button } from '../../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../../ui/CommitField.tsx';
import { LOOK } from '../look.ts';
import { typedMm } from '../typed-mm.ts';

/** How stations are put: in line with the first, evenly, or in a pattern. */
type How = 'one' | 'level' | 'plumb' | 'across' | 'down' | LayoutPattern['as'];

interface Figures {
  count: number;
  apart: number;
  slope: number;
  diameter: number;
  firstAt: number;
  columns: number;
  across: number;
  down: number;
}

const USUAL: Figures = { count: 4, apart: 60, slope: 0, diameter: 100, firstAt: 0, columns: 3, across: 60, down: 60 };
/** More in one go are a slip of the finger. */
const MOST_NEW = 200;
const FAR_MM = 20_000;

const patternOf = (how: LayoutPattern['as'], figures: Figures): LayoutPattern =>
  how === 'row'
    ? { as: 'row', apartMm: figures.apart, directionDeg: figures.slope }
    : how === 'circle'
      ? { as: 'circle', diameterMm: figures.diameter, firstDeg: figures.firstAt }
      : { as: 'grid', columns: figures.columns, acrossMm: figures.across, downMm: figures.down };

const isPattern = (how: How): how is LayoutPattern['as'] => how === 'row' || how === 'circle' || how === 'grid';

/** Between the outermost of some places. */
function middleOf(points: readonly Point[]): Point {
  const middle = (all: number[]) => (Math.min(...all) + Math.max(...all)) / 2;
  return { xMm: middle(points.map(({ xMm }) => xMm)), yMm: middle(points.map(({ yMm }) => yMm)) };
}

/** What is to be done with stations, as one says it: put the three chosen on a bolt circle of 100 mm. */
export function PatternSentence({
  chosen,
  middle,
  onMove,
  onAdd,
}: {
  chosen: readonly Station[];
  middle: Point;
  onMove: (moved: ReadonlyArray<{ id: string } & Point>) => void;
  onAdd: (points: Point[]) => void;
}) {
  const [fresh, setFresh] = useState<boolean>();
  const [wanted, setWanted] = useState<{ fresh: How; chosen: How }>({ fresh: 'circle', chosen: 'level' });
  const [figures, setFigures] = useState<Figures>(USUAL);
  const several = chosen.length > 1;
  const isNew = !several || (fresh ?? false);
  const [first] = chosen;
  const ways: Array<[How, string]> = isNew
    ? [
        ['one', 'in the middle'],
        ['row', 'in a row'],
        ['circle', 'on a bolt circle'],
        ['grid', 'in a grid'],
      ]
    : [
        ['level', `level with station ${first?.label}`],
        ['plumb', `plumb with station ${first?.label}`],
        ...(chosen.length > 2
          ? ([
              ['across', 'evenly across, the outer ones stay'],
              ['down', 'evenly down, the outer ones stay'],
            ] as Array<[How, string]>)
          : []),
        ['row', 'in a row'],
        ['circle', 'on a bolt circle'],
        ['grid', 'in a grid'],
      ];
  const before = isNew ? wanted.fresh : wanted.chosen;
  const how = ways.some(([way]) => way === before) ? before : (ways[0]?.[0] ?? 'row');
  const count = how === 'one' ? 1 : figures.count;

  const put = () => {
    if (isNew) return onAdd(isPattern(how) ? placesIn(patternOf(how, figures), count, middle) : [middle]);
    const places: readonly Point[] =
      how === 'level'
        ? inLine(chosen, 'yMm', first?.yMm ?? 0)
        : how === 'plumb'
          ? inLine(chosen, 'xMm', first?.xMm ?? 0)
          : how === 'across' || how === 'down'
            ? distribute(chosen, how === 'across' ? 'x' : 'y')
            : placesIn(patternOf(isPattern(how) ? how : 'row', figures), chosen.length, middleOf(chosen));
    return onMove(
      chosen.map(({ id, xMm, yMm }, index) => ({
        id,
        xMm: places[index]?.xMm ?? xMm,
        yMm: places[index]?.yMm ?? yMm,
      })),
    );
  };
  const field = (name: keyof Figures, label: string, after: string, whole?: { least: number; most: number }) => (
    <span className="flex items-center gap-2">
      <span className="w-20">
        <CommitField
          label={label}
          hideLabel
          title={label}
          className="figures text-right"
          value={String(figures[name])}
          onCommit={(typed) => {
            const angle = name === 'slope' || name === 'firstAt';
            const value = whole || angle ? typedNumber(typed) : typedMm(typed);
            if (whole && !(Number.isInteger(value) && value >= whole.least && value <= whole.most))
              return `${whole.least} to ${whole.most}.`;
            if (!Number.isFinite(value) || (!angle && !(value > 0)) || Math.abs(value) > FAR_MM) return 'A number.';
            return void setFigures({ ...figures, [name]: value });
          }}
        />
      </span>
      {after}
    </span>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <span>Put</span>
      <select
        aria-label="Which"
        className={LOOK}
        value={isNew ? 'new' : 'chosen'}
        onChange={(event) => setFresh(event.target.value === 'new')}
      >
        <option value="new">{count === 1 ? 'a new one' : 'new ones'}</option>
        {several && <option value="chosen">the {chosen.length} chosen</option>}
      </select>
      {isNew && how !== 'one' && field('count', 'Count', 'of them', { least: 1, most: MOST_NEW })}
      <select
        aria-label="How"
        className={LOOK}
        value={how}
        onChange={(event) => setWanted({ ...wanted, [isNew ? 'fresh' : 'chosen']: event.target.value as How })}
      >
        {ways.map(([way, text]) => (
          <option key={way} value={way}>
            {text}
          </option>
        ))}
      </select>
      {how === 'row' && (
        <>
          {field('apart', 'Apart', 'mm apart, sloping')}
          {field('slope', 'Slope, °', '°')}
        </>
      )}
      {how === 'circle' && (
        <>
          <span>of</span>
          {field('diameter', 'Diameter', 'mm, the first at')}
          {field('firstAt', 'First at, °', '°')}
        </>
      )}
      {how === 'grid' && (
        <>
          <span>of</span>
          {field('columns', 'Columns', 'columns,', { least: 1, most: MOST_NEW })}
          {field('across', 'Apart across', 'mm across and')}
          {field('down', 'Apart down', 'mm down')}
        </>
      )}
      <Button className="min-h-11!" tone="primary" onClick={put}>
        {isNew ? `Put ${count} new` : `Put the ${chosen.length}`}
      </Button>
    </div>
  );
}
