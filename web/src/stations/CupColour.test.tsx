import type { Cup } from '../editor/filled';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { CupColour } from './CupColour';
import { testEdits } from '../parts/testEdits';

let edits = testEdits();
const pick = vi.fn();
const cup = (over: Partial<Cup>): Cup => ({
  id: 'c1',
  name: 'storm',
  colour: '#ff00ff',
  colourant: null,
  loadPercent: 0,
  doses: over.colourant ? [{ colourant: over.colourant, percent: 3, by: 'weight', byEye: false }] : [],
  frozen: false,
  seen: null,
  trials: [],
  ...over,
});
const shown = (of: Cup, colour: string | null) =>
  render(
    <edits.Page>
      <MemoryRouter initialEntries={['/pieces/p1/map']}>
        <Routes>
          <Route
            path="/pieces/:id/:station"
            element={
              <CupColour cup={of} shown={colour} label="Colour of storm" layerId="layer-2" setCup={pick} />
            }
          />
        </Routes>
      </MemoryRouter>
    </edits.Page>,
  );

afterEach(() => {
  cleanup();
  edits = testEdits();
  pick.mockReset();
});

it('takes a colour where there is a colourant', () => {
  shown(cup({ colourant: 'paste', loadPercent: 4 }), '#30503a');
  const well = screen.getByLabelText<HTMLInputElement>('Colour of storm');
  expect(well.type).toBe('color');
  fireEvent.change(well, { target: { value: '#123456' } });
  expect(edits.set).toHaveBeenCalledWith('recipes[c1].colour', '#123456');
});

it('says of clear resin that it has no colour yet, and shows the way to a colourant', () => {
  shown(cup({}), null);
  fireEvent.click(screen.getByRole('button', { name: 'Colour of storm' }));
  expect(screen.getByRole('status').textContent).toContain('no colour until it has a colourant');
  const way = screen.getByRole('link', { name: 'Choose a colourant' });
  expect(way.getAttribute('href')).toBe('/pieces/p1/cups?layer=layer-2');
  fireEvent.click(way);
  expect(pick).toHaveBeenCalledWith('c1');
  expect(edits.set).not.toHaveBeenCalled();
});

it('shows of a mixed cup the colour of the mix, not the one that was typed', () => {
  shown(
    cup({
      of: [
        { cup: 'a', parts: 1 },
        { cup: 'b', parts: 2 },
      ],
    }),
    '#445566',
  );
  const well = screen.getByRole('button', { name: 'Colour of storm' });
  expect(well.style.background).toBe('rgb(68, 85, 102)');
  fireEvent.click(well);
  expect(screen.getByRole('status').textContent).toContain('its colour comes from theirs');
});
