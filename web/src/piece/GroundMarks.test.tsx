import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import type { Ground, PlanView } from '../api/client';
import { Drifts } from './GroundMarks';

vi.mock('../units/units', () => ({
  useUnits: () => ({ show: (v: number, unit: string, decimals: number) => `${v.toFixed(decimals)} ${unit}` }),
}));
afterEach(cleanup);

const frame = { px: (mm: number) => 10 + mm, py: (mm: number) => mm, pixelsPerMm: 1 };
const standing = (level: boolean | null, ...deeper: number[]) => ({
  corners: deeper.map((value) => ({ value })),
  level,
  drift: deeper.length > 0 ? { value: Math.max(...deeper) - Math.min(...deeper) } : null,
  thinnest: { value: 3 },
});
const outline = (widthMm: number) => ({ widthMm, heightMm: 50, outline: `M0 0H${widthMm}V50H0Z` });
const drifts = (plan: unknown, set?: Ground['set']) => {
  const { container } = render(
    <svg>
      <Drifts
        ground={{ set } as Ground}
        plan={plan as PlanView['ground']}
        shape={outline(set ? 220 : 100)}
        panel={outline(100)}
        frame={frame}
      />
    </svg>,
  );
  return [...container.querySelectorAll('text')].map((t) => `${t.getAttribute('x')}: ${t.textContent}`);
};

it('tells by how much a film is deeper or thinner at each corner', () => {
  expect(drifts({ standing: standing(false, 0.5, -0.3, 0.3, -0.5) })).toEqual([
    '18: +0.50 mm',
    '102: -0.30 mm',
    '18: +0.30 mm',
    '102: -0.50 mm',
  ]);
});

it('says of what is level enough that it is, and nothing of what nobody has read', () => {
  expect(drifts({ standing: standing(true, 0.02, 0, 0, -0.02) })).toEqual([
    '60: level enough: 0.04 mm from side to side',
  ]);
  cleanup();
  expect(drifts({ standing: standing(null) })).toEqual([]);
});

it('tells of each panel of a set by itself, where it lies', () => {
  const plan = {
    standing: standing(true, 0.01, 0, 0, -0.01),
    panels: [{ panel: 2, standing: standing(false, 0.5, -0.3, 0.3, -0.5) }],
  };
  const told = drifts(plan, { count: 2, gapMm: 20, mirrored: false });
  expect(told[0]).toBe('60: level enough: 0.02 mm from side to side');
  expect(told.slice(1, 3)).toEqual(['138: +0.50 mm', '222: -0.30 mm']);
});
