import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { distribute, inLine, type LayoutPattern, placesIn } from '#core/geometry/layout.ts';
import type { Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { Button } from '../../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../../ui/CommitField.tsx';
import { tell } from '../../../../ui/tell.ts';
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
        ['one', say('in the middle')],
        ['row', say('in a row')],
        ['circle', say('on a bolt circle')],
        ['grid', say('in a grid')],
      ]
    : [
        ['level', say('level with station {label}', { label: first?.label })],
        ['plumb', say('plumb with station {label}', { label: first?.label })],
        ...(chosen.length > 2
          ? ([
              ['across', say('evenly across, the outer ones stay')],
              ['down', say('evenly down, the outer ones stay')],
            ] as Array<[How, string]>)
          : []),
        ['row', say('in a row')],
        ['circle', say('on a bolt circle')],
        ['grid', say('in a grid')],
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
              return say('{least} to {most}.', { least: whole.least, most: whole.most });
            if (!Number.isFinite(value) || (!angle && !(value > 0)) || Math.abs(value) > FAR_MM)
              return say('A number.');
            return void setFigures({ ...figures, [name]: value });
          }}
        />
      </span>
      {after}
    </span>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <span>{say('Put')}</span>
      <select
        aria-label={say('Which')}
        className={LOOK}
        value={isNew ? 'new' : 'chosen'}
        onChange={(event) => setFresh(event.target.value === 'new')}
      >
        <option value="new">{count === 1 ? say('a new one') : say('new ones')}</option>
        {several && <option value="chosen">{tell('the {count} chosen', { count: chosen.length })}</option>}
      </select>
      {isNew && how !== 'one' && field('count', say('Count'), say('of them'), { least: 1, most: MOST_NEW })}
      <select
        aria-label={say('How')}
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
          {field('apart', say('Apart'), say('mm apart, sloping'))}
          {field('slope', say('Slope, °'), '°')}
        </>
      )}
      {how === 'circle' && (
        <>
          <span>{say('of')}</span>
          {field('diameter', say('Diameter'), say('mm, the first at'))}
          {field('firstAt', say('First at, °'), '°')}
        </>
      )}
      {how === 'grid' && (
        <>
          <span>{say('of')}</span>
          {field('columns', say('Columns'), 'columns,', { least: 1, most: MOST_NEW })}
          {field('across', say('Apart across'), say('mm across and'))}
          {field('down', say('Apart down'), say('mm down'))}
        </>
      )}
      <Button className="min-h-11!" tone="primary" onClick={put}>
        {isNew ? say('Put {count} new', { count }) : say('Put the {count}', { count: chosen.length })}
      </Button>
    </div>
  );
}
