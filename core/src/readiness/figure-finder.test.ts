import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS, ROCK_SLIDERS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import type { JointTag, KitDocument } from '../kit/kit-document.ts';
import { findFigure } from './figure-finder.ts';

const kit = (change: (kit: KitDocument) => void = () => undefined): KitDocument => {
  const copy = structuredClone(TRACK_BAR_BRACE);
  change(copy);
  return copy;
};
const planOf = (document: KitDocument) => openKit(document).plan;
const first = (document: KitDocument) => document.stations[0]?.id ?? '';
const library = [TRACK_BAR_BRACE, ROCK_SLIDERS, FRONT_RECOVERY_POINTS];
const order = (document: KitDocument) =>
  findFigure(planOf(document), first(document), library).offers.map(({ source }) => source);

describe('where a figure may come from', () => {
  it('for the kit’s own bolt its sheet goes first, for one of the vehicle the maker’s manual', () => {
    const own = kit((copy) => {
      for (const item of copy.items) item.source = 'kit';
    });
    const reused = kit((copy) => {
      for (const item of copy.items) item.source = 'factory';
    });
    expect(order(own).slice(0, 2)).toEqual(['kitSheet', 'vehicleMaker']);
    expect(order(reused).slice(0, 2)).toEqual(['vehicleMaker', 'kitSheet']);
    expect(order(own).at(-1)).toBe('byFeel');
  });
  it.each<JointTag>(['safetyCritical', 'wheel'])('%s: no estimate, no other kit, not by feel', (tag) => {
    const critical = kit((copy) => {
      for (const station of copy.stations) station.tags = [tag];
    });
    const search = findFigure(planOf(critical), first(critical), library);
    expect(search.safetyCritical).toBe(true);
    expect(search.estimate).toBeUndefined();
    expect(search.offers.filter(({ allowed }) => allowed).map(({ source }) => source)).toEqual(
      expect.arrayContaining(['kitSheet', 'vehicleMaker']),
    );
    expect(search.offers.filter(({ allowed }) => allowed)).toHaveLength(2);
  });
  it('the bench works one out from size, class and thread, never under plastic', () => {
    const plain = kit((copy) => {
      for (const station of copy.stations) delete station.tags;
      for (const item of copy.items)
        if (item.thread) Object.assign(item, { thread: 'M10 x 1.5', propertyClass: '8.8' });
    });
    const { estimate } = findFigure(planOf(plain), first(plain), library);
    // An M10 of class 8.8 takes 40 to 55 N·m by the usual tables (VDI 2230-1:2015, table A1, from memory).
    expect(estimate?.torqueNm).toBeGreaterThan(35);
    expect(estimate?.torqueNm).toBeLessThan(60);
    const soft = kit((copy) => {
      for (const station of copy.stations) {
        delete station.tags;
        for (const piece of station.stack) if (piece.kind === 'clamped') piece.material = 'plastic';
      }
    });
    expect(findFigure(planOf(soft), first(soft), library).estimate).toBeUndefined();
  });
  it('a stud’s seating figure comes from no other kit', () => {
    const studs = kit((copy) => {
      for (const station of copy.stations) delete station.tags;
      for (const item of copy.items) if (item.kind === 'bolt') item.kind = 'stud';
    });
    const { leads, offers } = findFigure(planOf(studs), first(studs), library);
    expect(leads.every(({ source }) => source === 'kitSheet')).toBe(true);
    expect(offers.find(({ source }) => source === 'otherKit')).toMatchObject({ allowed: false });
  });
  it('a thing that came off is the vehicle’s own; what is not there has nothing', () => {
    const document = kit();
    const plan = planOf(document);
    const thing = plan.removed[0];
    if (thing)
      expect(findFigure(plan, thing.id, library)).toMatchObject({ hardware: 'factory', bolt: { name: thing.name } });
    expect(findFigure(plan, 'ghost', library)).toMatchObject({ bolt: undefined, leads: [] });
  });
});
