import type { FilledLayer } from '../editor/filled';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CupVolume, Edit, SittingView, Reckoned } from '../api/client';
import { CupRow } from './CupRow';
import { FieldsContext } from '../parts/fields';
import { testEdits } from '../parts/testEdits';

const number = (value: number, unit: string, inputs: Reckoned['inputs'] = []): Reckoned => ({
  value,
  unit,
  formula: 'cup-volume',
  inputs,
});
const reserve = {
  name: 'reserve',
  value: 10,
  unit: '%',
  origin: 'default' as const,
  field: 'reservePercent',
};
const volume = (cupId: string, regionIds: string[], ml: number): CupVolume => ({
  cupId,
  mixes: [],
  regions: regionIds.map((region) => ({ layerId: 'layer-1', region })),
  needMl: ml - 4,
  reserve: number((ml - 4) / 11, 'ml'),
  loss: number(4, 'ml'),
  mixMl: number(ml, 'ml', [reserve]),
  mixG: number(ml, 'g'),
  measured: {
    resinMl: number(ml / 2, 'ml'),
    resinG: number(ml / 2, 'g'),
    hardenerMl: number(ml / 2, 'ml'),
    hardenerG: number(ml / 2, 'g'),
    smallest: null,
  },
  doses: { all: [], total: null, totalLimitPercent: 10, overTotal: false, over: false },
  draws: [],
  drawnMl: 0,
  colour: '#30503a',
});
const cup = (id: string) => ({
  id,
  name: id,
  colour: '#30503a',
  doses: [{ colourant: 'mica' as const, percent: 3, by: 'weight' as const }],
  frozen: false,
});
const layer = {
  id: 'layer-1',
  sitting: { id: 'layer-1' },
  layout: {
    kind: 'rings',
    hearts: [],
    bands: [
      { id: 'b1', widthMm: 20, fillsRest: false, recipeId: 'moss' },
      { id: 'b2', widthMm: 10, fillsRest: true, recipeId: 'smoke' },
    ],
  },
  cups: [cup('moss'), cup('smoke')],
  recipes: [cup('moss'), cup('smoke')],
} as unknown as FilledLayer;
const plan = {
  layerId: 'layer-1',
  pours: [
    { regionId: 'b2', cupId: 'smoke' },
    { regionId: 'b1', cupId: 'moss' },
  ],
  cups: { cups: [volume('moss', ['b1'], 114), volume('smoke', ['b2'], 400)] },
} as unknown as SittingView;

const choose = vi.fn();
const point = vi.fn();
const { Page, edit, drag } = testEdits();

const shown = (of: SittingView, { by = layer, pullable = true } = {}) => {
  const props = {
    pullable,
    chosen: null,
    pointed: 'smoke',
    onChoose: choose,
    onPoint: point,
  };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <FieldsContext
        value={{ ranges: {}, most: {}, usual: { 'sittings.reservePercent': 10 }, unpainted: [] }}
      >
        <Page>
          <CupRow layer={by} plan={of} {...props} />
        </Page>
      </FieldsContext>
    </QueryClientProvider>,
  );
};

beforeEach(() => {
  [choose, point, drag, edit].forEach((f) => f.mockClear());
  shown(plan);
});
afterEach(() => {
  cleanup();
});

const moss = () => screen.getByRole('button', { name: 'moss' });
const reserveBy = (by: number) => ({
  do: 'nudge',
  place: 'sittings[layer-1].reservePercent',
  by,
  from: 10,
});
const nudged = (of: Edit | undefined) => (of?.do === 'nudge' ? of.by : null);

describe('the cup row', () => {
  it('stands in pour order with what to mix in each', () => {
    expect(screen.getAllByRole('listitem').map((b) => b.textContent)).toEqual(['smoke400 ml', 'moss114 ml']);
    expect(screen.getByRole('button', { name: /^Mix in moss: 114 ml/ })).toBeTruthy();
  });

  it('lights the cup of the region that is pointed at, and tells of the cup that is', () => {
    expect(screen.getByRole('button', { name: 'smoke' }).dataset['lit']).toBe('true');
    fireEvent.pointerEnter(moss());
    expect(point).toHaveBeenLastCalledWith('moss');
    fireEvent.pointerLeave(moss());
    expect(point).toHaveBeenLastCalledWith(null);
    fireEvent.click(moss());
    expect(choose).toHaveBeenCalledWith('moss');
  });

  it('raises the reserve with the arrow keys, by one or with shift by ten, from the default', () => {
    fireEvent.keyDown(moss(), { key: 'ArrowUp' });
    fireEvent.keyDown(moss(), { key: 'ArrowDown', shiftKey: true });
    expect(edit.mock.calls).toEqual([[reserveBy(1)], [reserveBy(-10)]]);
  });

  it('steps the reserve from the one of the sitting, whatever its cups hold', () => {
    cleanup();
    const own = { ...reserve, value: 1, origin: 'own' as const };
    const empty = { ...volume('moss', ['b1'], 114), mixMl: number(114, 'ml', [own]) };
    shown(
      { ...plan, cups: { ...plan.cups, cups: [empty, plan.cups.cups[1]!] } },
      { by: { ...layer, sitting: { ...layer.sitting, reservePercent: 15 } } },
    );
    fireEvent.keyDown(moss(), { key: 'ArrowUp' });
    expect(edit).toHaveBeenCalledExactlyOnceWith({ ...reserveBy(1), from: 15 });
  });

  it('widens the bands of the cup with Alt', () => {
    fireEvent.keyDown(moss(), { key: 'ArrowUp', altKey: true });
    expect(edit).toHaveBeenCalledExactlyOnceWith({
      do: 'widen-band',
      layer: 'layer-1',
      zone: null,
      band: 'b1',
      byMm: 1,
    });
  });

  it('follows a level that is pulled, and keeps it when it is let go', () => {
    const glass = moss().querySelector('svg')!;
    glass.getBoundingClientRect = () => ({ height: 60, bottom: 600 }) as DOMRect;
    moss().setPointerCapture = () => undefined;
    fireEvent.pointerDown(moss(), { button: 0, clientY: 590 });
    fireEvent.pointerMove(window, { clientY: 588 });
    expect(drag).not.toHaveBeenCalled();
    fireEvent.pointerMove(window, { clientY: 570 });
    expect(drag).toHaveBeenCalledOnce();
    fireEvent.pointerUp(window, { clientY: 570 });
    expect(nudged(edit.mock.lastCall?.[0])).toBeGreaterThan(0);
    fireEvent.click(moss());
    expect(choose).not.toHaveBeenCalled();
  });

  /** Reserves that a hand gives which moves up pixel by pixel, from where it was pressed. */
  const pulled = (ml: number, pixels: number[]) => {
    cleanup();
    shown({
      ...plan,
      cups: { cups: [volume('moss', ['b1'], ml), volume('smoke', ['b2'], 400)] },
    } as SittingView);
    moss().querySelector('svg')!.getBoundingClientRect = () => ({ height: 30, bottom: 600 }) as DOMRect;
    moss().setPointerCapture = () => undefined;
    fireEvent.pointerDown(moss(), { button: 0, clientY: 590 });
    const given = pixels.map((by) => {
      drag.mockClear();
      fireEvent.pointerMove(window, { clientY: 590 - by });
      return nudged(drag.mock.calls[0]?.[0][0]);
    });
    fireEvent.pointerUp(window, { clientY: 590 });
    [drag, edit].forEach((f) => f.mockClear());
    return given;
  };

  it('does not jump when a pull begins, and gives at most one per cent a pixel, however small the cup', () => {
    for (const ml of [6, 20, 114, 900]) {
      const [, begun, ...next] = pulled(ml, [4, 5, 6, 7, 8, 9, 10]);
      expect(begun! + 0).toBe(0);
      let before = 0;
      for (const reserve of next) {
        expect(reserve! - before).toBeLessThanOrEqual(1);
        before = reserve!;
      }
    }
  });

  it('leaves levels alone where cups are not worked on', () => {
    cleanup();
    shown(plan, { pullable: false });
    moss().querySelector('svg')!.getBoundingClientRect = () => ({ height: 60, bottom: 600 }) as DOMRect;
    fireEvent.pointerDown(moss(), { button: 0, clientY: 590 });
    fireEvent.pointerMove(window, { clientY: 500 });
    fireEvent.keyDown(moss(), { key: 'ArrowUp' });
    expect(drag).not.toHaveBeenCalled();
    expect(edit).not.toHaveBeenCalled();
    expect(screen.queryByText(/pull a level/)).toBeNull();
  });

  it('says that a level is the reserve of all cups', () => {
    expect(screen.getByText(/the reserve of all cups/)).toBeTruthy();
  });
});
