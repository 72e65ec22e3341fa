import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';

import { testEdits } from '../../parts/testEdits';
import { UnitsProvider } from '../../units/units';
import type { AtStation } from '../station';
import { StationProvider } from '../station';
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
const { edit, Page } = testEdits();

const asked = vi.fn<(what: string, body: Record<string, unknown>) => [unknown, number?]>();

beforeEach(() => {
  asked.mockReset();
  edit.mockReset();
  vi.stubGlobal('fetch', async (request: Request) => {
    const what = `${request.method} ${new URL(request.url).pathname}`;
    const [of, status = 200] =
      request.method === 'GET'
        ? [[{ id: 's1', version: 1, sequence, widthsMm: [0, 12], together }]]
        : asked(what, (await request.json()) as Record<string, unknown>);
    return new Response(JSON.stringify(of), { status, headers: { 'content-type': 'application/json' } });
  });
  const props = {
    piece: { recipes, layers: [{ id: 'l', layout: rings, zones: null }] },
    layer: { id: 'l' },
    zone: null,
    here: { layer: 'l', zone: null },
    layerPlan: { box: { widthMm: 320, heightMm: 150 } },
  };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <UnitsProvider>
        <Page>
          <StationProvider value={props as unknown as AtStation}>
            <Sequences />
          </StationProvider>
        </Page>
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
  await userEvent.type(screen.getByLabelText('Save this one as'), 'Reed{Enter}');
  await userEvent.click(screen.getByRole('button', { name: 'Save it' }));
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
  await userEvent.click(screen.getByRole('button', { name: 'Save it' }));
  await screen.findByText('A name is needed.');
});

it('lays a kept one, as it is or fitted, and says so only where it was laid', async () => {
  const lay = { do: 'lay-sequence', layer: 'l', zone: null, sequence: 's1' };
  edit.mockResolvedValue(null);
  await userEvent.click(await screen.findByRole('button', { name: 'Lay it fitted to 150 mm: Peat tea' }));
  expect(edit).toHaveBeenLastCalledWith({ ...lay, acrossMm: 150 });
  expect(screen.queryByText('Peat tea is laid here.')).toBeNull();
  edit.mockResolvedValue({} as never);
  await userEvent.click(screen.getByRole('button', { name: 'Lay it as it is: Peat tea' }));
  expect(edit).toHaveBeenLastCalledWith({ ...lay, acrossMm: null });
  await screen.findByText('Peat tea is laid here.');
});
