import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Finding } from '../api/client';
import { Findings } from './Findings';

const remedy = vi.fn();
const wave = vi.fn();
const tilt = {
  check: 'tilt',
  key: 'tilt@ground',
  grade: 'mend',
  title: 'Out of level',
  reason: 'One side lies {0} lower.',
  numbers: [{ value: 1.2, unit: 'mm', formula: 'wedge', inputs: [] }],
  place: { station: 'ground' },
  remedies: [
    { id: 'shims', label: 'The shims are in', field: null },
    { id: 'deeper', label: 'Pour at least {0} deep', field: null, mm: 12 },
  ],
  wavedOff: null,
} as unknown as Finding;

const show = (...findings: Finding[]) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Findings findings={findings} onRemedy={remedy} onWave={wave} />
    </QueryClientProvider>,
  );

beforeEach(() => [remedy, wave].forEach((f) => f.mockReset()));
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
  expect(remedy).toHaveBeenCalledWith(tilt, 'deeper');
});

it('is let be only with a reason, and speaks up again when asked', async () => {
  show(tilt);
  await userEvent.click(screen.getByRole('button', { name: /Let it be/ }));
  const because = screen.getByLabelText('Because');
  fireEvent.change(because, { target: { value: 'Trued last week.' } });
  fireEvent.blur(because);
  expect(wave).toHaveBeenCalledWith(tilt, 'Trued last week.');
  cleanup();
  show({ ...tilt, wavedOff: 'Trued last week.' });
  expect(screen.getByText(/let be/).textContent).toContain('Trued last week.');
});
