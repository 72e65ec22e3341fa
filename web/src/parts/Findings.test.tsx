import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Finding } from '../api/client';
import { Findings } from './Findings';

const remedy = vi.fn();
const wave = vi.fn();
const open = vi.fn();
const tilt = {
  check: 'tilt',
  key: 'tilt@ground',
  grade: 'mend',
  title: 'Out of level',
  reason: 'One side lies {0} lower.',
  numbers: [{ value: 1.2, unit: 'mm', formula: 'wedge', inputs: [] }],
  pin: { station: 'ground' },
  remedies: [
    { id: 'shims', label: 'The shims are in', edits: [], field: null },
    { id: 'deeper', label: 'Pour at least {0} deep', edits: [], field: null, mm: 12 },
  ],
  wavedOff: null,
} as unknown as Finding;

const show = (...findings: Finding[]) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Findings
        findings={findings}
        opened={{}}
        at={(f) => f.pin.layerId ?? null}
        onOpen={open}
        onRemedy={remedy}
        onWave={wave}
      />
    </QueryClientProvider>,
  );

beforeEach(() => [remedy, wave, open].forEach((f) => f.mockReset()));
afterEach(() => {
  cleanup();
});

it('says nothing where there is nothing to say', () => {
  const { container } = show();
  expect(container.textContent).toBe('');
});

it('says why, with numbers that open, and offers its remedies by a press', async () => {
  show(tilt);
  expect(screen.getByText(/One side lies/).textContent).toContain('One side lies 1.2 mm');
  expect(screen.getByRole('button', { name: /Out of level: 1.2 mm/ })).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: /Pour at least 12(\.0)? mm deep/ }));
  expect(remedy).toHaveBeenCalledWith(tilt.remedies[1]);
});

it('is let be only with a reason, and speaks up again when asked', async () => {
  show(tilt);
  await userEvent.click(screen.getByRole('button', { name: /Dismiss/ }));
  const because = screen.getByLabelText('Because');
  fireEvent.change(because, { target: { value: 'Trued last week.' } });
  fireEvent.blur(because);
  expect(wave).toHaveBeenCalledWith(tilt, 'Trued last week.');
  cleanup();
  show({ ...tilt, wavedOff: 'Trued last week.' });
  expect(screen.getByText(/dismissed/).textContent).toContain('Trued last week.');
});

it('is a line each, the first and every danger open by itself, and opens by a press or from its pin', async () => {
  const other = { ...tilt, key: 'tilt@second', title: 'Bows', reason: 'It bows.', numbers: [], remedies: [] };
  const danger = {
    ...other,
    key: 'cup@l1',
    title: 'Hot cup',
    grade: 'stop',
    reason: 'It smokes.',
  } as Finding;
  show(tilt, other, danger);
  expect(screen.getByText(/One side lies/)).toBeTruthy();
  expect(screen.getByText(/It smokes/)).toBeTruthy();
  expect(screen.queryByText(/It bows/)).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: /Bows/ }));
  expect(open).toHaveBeenCalledWith(other, true);
  await userEvent.click(screen.getByRole('button', { name: /Hot cup/ }));
  expect(open).toHaveBeenCalledWith(danger, false);
  open.mockReset();
  document.getElementById('finding-tilt-second')!.focus();
  expect(open).toHaveBeenCalledWith(other, true);
});
