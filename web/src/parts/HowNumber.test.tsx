import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { HowNumber } from './HowNumber';
import { testEdits } from './testEdits';

const edits = testEdits({ 'sittings[l].reservePercent': 'Reserve must be from 0 to 100 %.' });
const formula = { id: 'cup-volume', title: 'Cup', words: 'need + what stays', page: 'mixing.md#cup-volume' };

beforeEach(() => {
  edits.set.mockClear();
  edits.go.mockClear();
  vi.stubGlobal(
    'fetch',
    async () => new Response(JSON.stringify([formula]), { headers: { 'content-type': 'application/json' } }),
  );
  const of = {
    value: 113.7,
    unit: 'ml',
    formula: 'cup-volume',
    inputs: [
      { name: 'regions', value: 100, unit: 'ml', origin: 'reckoned' as const, field: null },
      {
        name: 'reserve',
        value: 10,
        unit: '%',
        origin: 'default' as const,
        field: 'sittings[l].reservePercent',
      },
    ],
    place: 'layers[l].regions[moss]',
  };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <edits.Page>
        <HowNumber of={of} label="Mix for moss" />
      </edits.Page>
    </QueryClientProvider>,
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('shows the number to the step of the tool and opens to its formula and inputs', async () => {
  const button = screen.getByRole('button', { name: 'Mix for moss: 114 ml. How is it worked out?' });
  fireEvent.click(button);
  expect(await screen.findByText('need + what stays')).toBeTruthy();
  expect(screen.getByText('100 ml')).toBeTruthy();
  expect(screen.getByText('worked out')).toBeTruthy();
  expect(screen.getByText('default')).toBeTruthy();
});

it('lets an input that the person decides be changed there, and says what was refused', async () => {
  fireEvent.click(screen.getByRole('button'));
  const field = await screen.findByRole('textbox', { name: 'reserve' });
  expect(screen.queryByRole('textbox', { name: 'regions' })).toBeNull();
  fireEvent.change(field, { target: { value: '25' } });
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(edits.set).toHaveBeenCalledExactlyOnceWith('sittings[l].reservePercent', 25);
  expect(screen.getByText('Reserve must be from 0 to 100 %.')).toBeTruthy();
});

it('goes to where on the piece it is so, and closes', async () => {
  fireEvent.click(screen.getByRole('button'));
  fireEvent.click(await screen.findByRole('button', { name: 'Show it on the map' }));
  expect(edits.go).toHaveBeenCalledExactlyOnceWith('layers[l].regions[moss]');
  await waitFor(() => expect(screen.queryByText('need + what stays')).toBeNull());
});

it('takes the keys in with it, and gives them back to the number', async () => {
  const number = screen.getByRole('button');
  number.focus();
  fireEvent.click(number);
  await waitFor(() => expect(document.activeElement?.classList.contains('how')).toBe(true));
  fireEvent.keyUp(document.activeElement!, { key: 'Escape', code: 'Escape', keyCode: 27 });
  await waitFor(() => expect(document.activeElement).toBe(number));
});
