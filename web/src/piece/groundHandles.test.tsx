import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Ground } from '../api/client';
import { InsertHandles, OpeningHandles, SliceHandles, SupportHandles } from './groundHandles';

type Change = (ground: Ground) => Ground;
const edit = vi.fn<(change: Change) => void>();
const held = vi.fn<(change: (x: number, y: number, to: { x: number; y: number }) => Change) => void>();
const hold = (change: Parameters<typeof held>[0]) => {
  held(change);
  return { move: () => undefined, drop: () => undefined };
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
const props = { ground, px, py: px, hold, edit };
const after = (start: Ground) => edit.mock.lastCall![0](start);

beforeEach(() => [edit, held].forEach((f) => f.mockReset()));
afterEach(() => {
  cleanup();
});

it('pulls a rim no farther than its frame and no nearer than a slice can be', () => {
  const outline = ground.outline as Extract<Ground['outline'], { shape: 'slice' }>;
  render(
    <svg>
      <SliceHandles {...props} slice={outline} />
      <OpeningHandles {...props} opening={outline.opening!} />
    </svg>,
  );
  expect(screen.getAllByRole('slider')).toHaveLength(4 + 3);
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Rim handle 1' }), { key: 'ArrowRight' });
  expect(after(ground).outline).toMatchObject({ reach: [0.91, 0.8, 0.9, 0.8] });

  // The first handle lies to the right: held at a place, it reaches as far as that place is.
  const [first] = held.mock.calls[0]!;
  expect(first(0, 0, { x: 170, y: 50 })(ground).outline).toMatchObject({ reach: [0.7, 0.8, 0.9, 0.8] });
  expect(first(0, 0, { x: 900, y: 50 })(ground).outline).toMatchObject({ reach: [1, 0.8, 0.9, 0.8] });
  expect(first(0, 0, { x: 0, y: 50 })(ground).outline).toMatchObject({ reach: [0.2, 0.8, 0.9, 0.8] });
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Opening' }), { key: 'ArrowDown' });
  expect(after(ground).outline).toMatchObject({ opening: { xMm: 100, yMm: 51 } });
});

it('moves the opening of a rectangle, round or oval as well', () => {
  const round: Ground = { ...ground, outline: { shape: 'round', diameterMm: 90, opening: slice.opening } };
  render(
    <svg>
      <OpeningHandles {...props} ground={round} opening={slice.opening} />
    </svg>,
  );
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Width of the opening' }), { key: 'ArrowRight' });
  expect(after(round).outline).toMatchObject({ diameterMm: 90, opening: { widthMm: 21, heightMm: 12 } });
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
    <svg>
      <InsertHandles {...props} ground={tray} />
    </svg>,
  );
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Insert b' }), { key: 'ArrowLeft' });
  expect(after(tray).mould?.inserts?.map((i) => i.xMm)).toEqual([10, 89]);
  expect(after(ground)).toBe(ground);
});

it('shows the shim at each support and keeps the supports as its own once one is moved', () => {
  const shim = (value: number) => ({ value, unit: 'mm', formula: 'wedge', inputs: [] });
  const supports = [
    { xMm: 10, yMm: 10, shim: shim(0) },
    { xMm: 190, yMm: 10, shim: shim(1.25) },
  ];
  const { container } = render(
    <svg>
      <SupportHandles {...props} supports={supports} />
    </svg>,
  );
  expect(container.textContent).toContain('highest');
  expect(screen.getByRole('slider', { name: 'Support 2' }).getAttribute('aria-valuetext')).toMatch(
    /shim 1\.[23] mm/,
  );
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Support 2' }), { key: 'ArrowRight' });
  expect(after(ground).supports).toEqual([
    { xMm: 10, yMm: 10 },
    { xMm: 191, yMm: 10 },
  ]);
});
