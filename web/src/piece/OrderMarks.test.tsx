import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { LayerView, SittingView } from '../api/client';
import { OrderMarks } from './OrderMarks';

const frame = { px: (mm: number) => 2 * mm, py: (mm: number) => 2 * mm, pixelsPerMm: 2 };
const layer = {
  layerId: 'l1',
  box: { xMm: 10, yMm: 0, widthMm: 100, heightMm: 100 },
  regions: [
    { id: 'a', middle: { xMm: 20, yMm: 20 } },
    { id: 'b', middle: { xMm: 21, yMm: 20 } },
    { id: 'c', middle: null },
    { id: 'd', middle: { xMm: 60, yMm: 60 } },
  ],
} as unknown as LayerView;
const step = (regionId: string, layerId = 'l1') => ({ layerId, regionId });
const sitting = (poured: boolean, ...open: string[]) =>
  ({
    poured,
    openRegions: open.map((region) => ({ layerId: 'l1', region })),
    pours: [step('a'), step('b'), step('c'), step('x', 'l2'), step('a')].map((s) => ({
      ...s,
      done: poured && !(s.layerId === 'l1' && open.includes(s.regionId)),
    })),
  }) as unknown as SittingView;

const marks = (of: SittingView) => {
  const { container } = render(
    <svg>
      <OrderMarks layer={layer} sitting={of} frame={frame} />
    </svg>,
  );
  return [...container.querySelectorAll('[data-state]')].map(
    (m) => `${m.querySelector('text')!.textContent} ${m.getAttribute('data-state')}`,
  );
};

afterEach(cleanup);

it('writes the turn of every pour where it goes, all passes of a region together, the first as the next', () => {
  expect(marks(sitting(false))).toEqual(['1+5 next', '2 to-come']);
});

it('ticks what is poured, and the next is the first that is open', () => {
  expect(marks(sitting(true, 'b', 'c'))).toEqual(['✓ poured', '2 next']);
  cleanup();
  expect(marks(sitting(true))).toEqual(['✓ poured', '✓ poured']);
});

it('stands in the layer, and parts numbers that would lie over each other', () => {
  const { container } = render(
    <svg>
      <OrderMarks layer={layer} sitting={sitting(false)} frame={frame} />
    </svg>,
  );
  const at = [...container.querySelectorAll('text')].map((t) => [t.getAttribute('x'), t.getAttribute('y')]);
  expect(at[0]).toEqual(['60', '40']);
  const [x, y] = at[1]!.map(Number);
  expect(Math.abs(x! - 60) >= 24 || Math.abs(y! - 40) >= 24).toBe(true);
  // The one that was moved points to where it belongs.
  expect(container.querySelectorAll('path')).toHaveLength(1);
});

it('leaves out the turn of a pass that is poured where another lies over it', () => {
  const half = sitting(true, 'a');
  const [first, ...others] = half.pours;
  expect(marks({ ...half, pours: [{ ...first!, done: true }, ...others] })).toContain('5 next');
});
