import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Edit, Ground } from '../api/client';
import { testEdits } from '../parts/testEdits';
import type { Spot } from '../editor/view';
import { InsertHandles, OpeningHandles, SliceHandles, SupportHandles } from './groundHandles';

const { edit, Page } = testEdits();
const held = vi.fn<(change: (x: number, y: number, to: Spot) => Edit[]) => void>();
const hold = (change: Parameters<typeof held>[0]) => {
  held(change);
  return { move: () => undefined, drop: () => undefined, leave: () => undefined };
};
const px = (mm: number) => 2 * mm;

const slice = {
  shape: 'slice',
  widthMm: 200,
  heightMm: 100,
  reach: [0.9, 0.8, 0.9, 0.8],
  wobbleMm: 2,
  seed: 3,
  opening: { xMm: 100, yMm: 50, widthMm: 20, heightMm: 12 },
} as const;
const ground: Ground = {
  outline: { ...slice, reach: [...slice.reach] },
  edge: 'walled',
  sideHeightMm: 10,
  colour: '#ffffff',
};
const props = { px, py: px, hold };
const edited = () => edit.mock.lastCall![0];

beforeEach(() => [edit, held].forEach((f) => f.mockClear()));
afterEach(() => {
  cleanup();
});

it('pulls a rim to where the hand is', () => {
  const outline = ground.outline as Extract<Ground['outline'], { shape: 'slice' }>;
  render(
    <Page>
      <svg>
        <SliceHandles {...props} slice={outline} />
        <OpeningHandles {...props} opening={outline.opening!} />
      </svg>
    </Page>,
  );
  expect(screen.getAllByRole('slider')).toHaveLength(4 + 3);
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Rim handle 1' }), { key: 'ArrowRight' });
  expect(edited()).toEqual({ do: 'pull-rim', handle: 0, by: 0.01 });

  // The first handle lies to the right: held at a place, it reaches as far as that place is.
  const [first] = held.mock.calls[0]!;
  expect(first(0, 0, { x: 170, y: 50 })).toEqual([{ do: 'pull-rim', handle: 0, by: expect.closeTo(-0.2) }]);
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Opening' }), { key: 'ArrowDown' });
  expect(edited()).toEqual({ do: 'nudge', place: 'ground.outline.opening.yMm', by: 1 });
});

it('stretches an opening about its middle', () => {
  render(
    <Page>
      <svg>
        <OpeningHandles {...props} opening={slice.opening} />
      </svg>
    </Page>,
  );
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Width of the opening' }), { key: 'ArrowRight' });
  expect(edited()).toEqual({ do: 'nudge', place: 'ground.outline.opening.widthMm', by: 1 });
  const [width] = held.mock.calls[1]!;
  expect(width(0, 0, { x: 115, y: 50 })).toEqual([
    { do: 'nudge', place: 'ground.outline.opening.widthMm', by: 10 },
  ]);
});

it('moves an insert and leaves the others', () => {
  const insert = (id: string, xMm: number) => ({
    id,
    name: id,
    outline: { shape: 'round' as const, diameterMm: 30 },
    xMm,
    yMm: 20,
    floorMm: 0,
    recessMm: 0,
  });
  const tray: Ground = {
    ...ground,
    mould: {
      depthMm: 10,
      from: 'dimensions',
      capacityMl: null,
      pieces: 1,
      cavities: 1,
      keepMm: 0,
      inserts: [insert('a', 10), insert('b', 90)],
    },
  };
  render(
    <Page>
      <svg>
        <InsertHandles {...props} ground={tray} />
      </svg>
    </Page>,
  );
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Insert b' }), { key: 'ArrowLeft' });
  expect(edited()).toEqual({ do: 'nudge', place: 'ground.mould.inserts[b].xMm', by: -1 });
  const [move] = held.mock.calls[1]!;
  expect(move(5, -3, { x: 0, y: 0 })).toEqual([{ do: 'move-insert', insert: 'b', xMm: 95, yMm: 17 }]);
});

it('shows the shim at each support, and moves one', () => {
  const shim = (value: number) => ({ value, unit: 'mm', formula: 'wedge', inputs: [] });
  const supports = [
    { xMm: 10, yMm: 10, shim: shim(0) },
    { xMm: 190, yMm: 10, shim: shim(1.25) },
  ];
  const { container } = render(
    <Page>
      <svg>
        <SupportHandles {...props} supports={supports} />
      </svg>
    </Page>,
  );
  expect(container.textContent).toContain('highest');
  expect(screen.getByRole('slider', { name: 'Support 2' }).getAttribute('aria-valuetext')).toMatch(
    /shim 1\.[23] mm/,
  );
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Support 2' }), { key: 'ArrowRight' });
  expect(edited()).toEqual({ do: 'move-support', support: 1, byXMm: 1, byYMm: 0 });
});
