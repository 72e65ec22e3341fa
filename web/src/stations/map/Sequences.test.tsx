import { type FilledLayer, cupOf, laidOut, layoutOf } from '../../piece/filled';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';

import { UnitsProvider } from '../../units/units';
import type { StationProps } from '../station';
import { Sequences } from './Sequences';

const tea = {
  id: 'tea',
  name: 'tea',
  colour: '#6b3f1f',
  doses: [{ colourant: 'dye' as const, percent: 4 }],
  of: null,
};
const recipes = [tea, { ...tea, id: 'old', name: 'old' }];
const sequence = {
  name: 'Peat tea',
  acrossMm: 200,
  widening: 1,
  note: '',
  bands: [
    { id: 'push', widthMm: 5, fillsRest: true, recipeId: 'tea' },
    { id: 'line', widthMm: 12, fillsRest: false, recipeId: 'tea' },
  ],
  recipes: [tea],
};
const together = { value: 12, unit: 'mm', formula: 'lines-need', inputs: [] };
const rings = {
  kind: 'rings' as const,
  hearts: [],
  bands: [{ id: 'b', widthMm: 5, fillsRest: true, recipeId: 'old' }],
  rimFollow: 0,
  heartRecipeId: null,
  widening: 1,
  rimWay: 'proportional' as const,
};
const layer = {
  ...laidOut(rings, null),
  id: 'l',
  zones: null,
  cups: recipes.map(cupOf),
  all: [],
} as unknown as FilledLayer;

const asked = vi.fn<(what: string, body: Record<string, unknown>) => [unknown, number?]>();
const editLayer = vi.fn<(change: (l: FilledLayer) => FilledLayer) => void>();

beforeEach(() => {
  asked.mockReset();
  editLayer.mockReset();
  vi.stubGlobal('fetch', async (request: Request) => {
    const what = `${request.method} ${new URL(request.url).pathname}`;
    const [of, status = 200] =
      request.method === 'GET'
        ? [[{ id: 's1', version: 1, sequence, widthsMm: [0, 12], together }]]
        : asked(what, (await request.json()) as Record<string, unknown>);
    return new Response(JSON.stringify(of), { status, headers: { 'content-type': 'application/json' } });
  });
  const props = { piece: { recipes }, layer, layerPlan: { box: { widthMm: 320, heightMm: 150 } }, editLayer };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <UnitsProvider>
        <Sequences {...(props as unknown as StationProps)} />
      </UnitsProvider>
    </QueryClientProvider>,
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('keeps the sequence of the layer by a name, with how far across it is', async () => {
  asked.mockReturnValue([[], 201]);
  await userEvent.type(screen.getByLabelText('Keep this one as'), 'Reed{Enter}');
  await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  await screen.findByText('Reed stands in the cupboard.');
  expect(asked).toHaveBeenCalledWith('POST /api/sequences', {
    name: 'Reed',
    layout: rings,
    recipes,
    acrossMm: 150,
  });
});

it('says what is wrong with a name beside it', async () => {
  asked.mockReturnValue([{ title: 'No', status: 400, errors: { name: ['A name is needed.'] } }, 400]);
  await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  await screen.findByText('A name is needed.');
});

it('lays a kept one, as it is or fitted, and lets go of cups that nothing names any more', async () => {
  asked.mockImplementation(() => [{ layout: { ...rings, bands: sequence.bands }, recipes }]);
  await userEvent.click(await screen.findByRole('button', { name: 'Lay it fitted to 150 mm: Peat tea' }));
  await screen.findByText('Peat tea is laid here.');
  expect(asked).toHaveBeenLastCalledWith('POST /api/sequences/s1/laid', {
    layout: rings,
    recipes,
    acrossMm: 150,
  });
  await userEvent.click(screen.getByRole('button', { name: 'Lay it as it is: Peat tea' }));
  await waitFor(() => expect(editLayer).toHaveBeenCalledTimes(2));
  expect(asked).toHaveBeenLastCalledWith('POST /api/sequences/s1/laid', {
    layout: rings,
    recipes,
    acrossMm: null,
  });
  const laid = editLayer.mock.lastCall![0](layer);
  expect(layoutOf(laid)).toEqual({ ...rings, bands: sequence.bands });
  expect(laid.cups.map((c) => c.id)).toEqual(['tea']);
});
