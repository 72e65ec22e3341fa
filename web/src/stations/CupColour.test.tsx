import type { Recipe } from '../api/client';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { ColouringProvider } from './colour/colouring';
import { CupColour } from './CupColour';

const choose = vi.fn();
const cup = (over: Partial<Recipe>): Recipe => ({
  id: 'c1',
  name: 'storm',
  colour: '#ff00ff',
  doses: [],
  frozen: false,
  ...over,
});
const paste: Recipe['doses'][number] = { colourant: 'paste', percent: 3, by: 'weight', byEye: false };
const swatch = (of: Recipe, shown: string | null) => {
  render(
    <ColouringProvider value={choose}>
      <CupColour cup={of} shown={shown} label="Colour of storm" />
    </ColouringProvider>,
  );
  return screen.getByRole('button', { name: 'Colour of storm' });
};

afterEach(() => {
  cleanup();
  choose.mockReset();
});

it('opens the colours that the cup can be given', () => {
  const of = swatch(cup({ doses: [paste] }), '#30503a');
  expect(of.style.background).toBe('rgb(255, 0, 255)');
  fireEvent.click(of);
  expect(choose).toHaveBeenCalledExactlyOnceWith('c1');
});

it('shows of a cup what it came out as, where that is known', () => {
  expect(swatch(cup({ doses: [paste], seen: '#102030' }), null).style.background).toBe('rgb(16, 32, 48)');
});

it('shows no colour of clear resin', () => {
  expect(swatch(cup({}), null).style.background).toBe('rgb(223, 233, 230)');
});

it('shows of a mixed cup the colour of the mix, not the one that was typed', () => {
  const of = cup({
    of: [
      { recipeId: 'a', parts: 1 },
      { recipeId: 'b', parts: 2 },
    ],
  });
  expect(swatch(of, '#445566').style.background).toBe('rgb(68, 85, 102)');
});
