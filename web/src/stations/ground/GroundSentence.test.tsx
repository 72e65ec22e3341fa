import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Ground } from '../../api/client';
import { testEdits } from '../../parts/testEdits';
import { GroundSentence } from './GroundSentence';

const panel: Ground = {
  outline: { shape: 'rectangle', widthMm: 400, heightMm: 300 },
  edge: 'taped-clean',
  sideHeightMm: 20,
  colour: '#e6d6b4',
};
const casting: Ground = {
  ...panel,
  edge: 'walled',
  base: {
    kind: 'casting',
    material: 'silicone',
    backStiffened: false,
    gapsSealed: false,
    sealTested: false,
  },
  mould: { depthMm: 10, from: 'dimensions', capacityMl: null, pieces: 1, cavities: 1, keepMm: 0 },
};

let edits = testEdits();
const asked = vi.fn<(path: string) => unknown>();

beforeEach(() => {
  asked.mockReset();
  vi.stubGlobal('fetch', async (request: Request) => {
    const answer = asked(new URL(request.url).pathname);
    return new Response(JSON.stringify(answer ?? []), { headers: { 'content-type': 'application/json' } });
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const show = (start: Ground, errors: Record<string, string> = {}) => {
  edits = testEdits(errors);
  return render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <edits.Page>
          <GroundSentence ground={start} />
        </edits.Page>
      </QueryClientProvider>
    </MemoryRouter>,
  );
};
const choose = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const write = (label: string, text: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
};
const edited = () => edits.edit.mock.lastCall;
const set = () => edits.set.mock.lastCall;

describe('the sentence of a ground', () => {
  it('leaves what goes with another kind to the workshop, and says where it will not', () => {
    show(panel, { ground: 'Not that.' });
    choose('Kind of piece', 'slice');
    expect(edited()).toEqual([{ do: 'become-kind', kind: 'slice' }]);
    choose('Outline', 'round');
    expect(edited()).toEqual([{ do: 'shape-outline', shape: 'round' }]);
    choose('Opening', 'yes');
    expect(edited()).toEqual([{ do: 'open-outline', open: true }]);
    expect(screen.getByText('Not that.')).toBeTruthy();
  });

  it('makes a pair with a gap, and one panel again', () => {
    show({ ...panel, set: { count: 2, gapMm: 20, mirrored: true } });
    choose('Over the gap', 'no');
    expect(set()).toEqual(['ground.set.mirrored', false]);
    write('Gap between panels', '35');
    expect(set()).toEqual(['ground.set.gapMm', 35]);
    choose('Number of panels', '1');
    expect(edited()).toEqual([{ do: 'make-panels', count: 1 }]);
  });

  it('takes older work beneath, its relief, and grows a rim of the width that was typed', async () => {
    const old = { name: 'Kiln', pieceId: null, ground: panel, growth: { gridMm: 2, grainMm: 60 } };
    const nothing = { recipes: [], layers: [], sittings: [], xMm: 0, yMm: 0, standsMm: 0, reliefMm: 0 };
    show({ ...panel, old: { ...old, ...nothing } });
    expect(screen.getByText('Kiln')).toBeTruthy();
    expect(screen.getByText(/sanded flat/)).toBeTruthy();
    choose('What lies beneath', 'no');
    expect(edited()).toEqual([{ do: 'pour-over-old', over: false }]);
    write('Relief of the older work', '1.5');
    expect(set()).toEqual(['ground.old.reliefMm', 1.5]);
    write('Width of a new rim', '35');
    await userEvent.click(screen.getByRole('button', { name: 'grow it all round' }));
    expect(edited()).toEqual([{ do: 'grow-rim', mm: 35 }]);
  });

  it('stands inserts in a mould, each in its own words, and takes them out again', async () => {
    const insert = {
      id: 'insert-1',
      name: 'hollow',
      outline: { shape: 'rectangle' as const, widthMm: 75, heightMm: 50 },
      xMm: 1,
      yMm: 2,
      floorMm: 0,
      recessMm: 0,
    };
    const at = 'ground.mould.inserts[insert-1]';
    show(
      { ...casting, mould: { ...casting.mould!, inserts: [insert] } },
      { [`${at}.recessMm`]: 'Recess must be from 0 to 100 mm.' },
    );
    expect(screen.getByText('Recess must be from 0 to 100 mm.')).toBeTruthy();
    choose('Shape of hollow', 'oval');
    expect(edited()).toEqual([{ do: 'shape-insert', insert: 'insert-1', shape: 'oval' }]);
    write('Height of hollow', '40');
    expect(set()).toEqual([`${at}.outline.heightMm`, 40]);
    write('Foot of hollow', '2');
    expect(set()).toEqual([`${at}.floorMm`, 2]);
    await userEvent.click(screen.getByRole('button', { name: 'Another insert' }));
    expect(edited()).toEqual([{ do: 'stand-insert' }]);
    await userEvent.click(screen.getByRole('button', { name: 'without hollow' }));
    expect(edited()).toEqual([{ do: 'take-insert-out', insert: 'insert-1' }]);
  });

  it('takes a mould from the library, and another beside it', async () => {
    const mould = (id: string, name: string) => ({ id, mould: { name, owned: 2 } });
    asked.mockReturnValue([mould('a', 'Round'), mould('b', 'Tray')]);
    show({ ...casting, mould: { ...casting.mould!, libraryIds: ['a'] } });
    fireEvent.change(await screen.findByLabelText('A further mould'), { target: { value: 'b' } });
    expect(edited()).toEqual([{ do: 'cast-in-moulds', moulds: ['a', 'b'] }]);
    choose('Mould of the library', 'none');
    expect(edited()).toEqual([{ do: 'cast-in-moulds', moulds: [] }]);
  });

  it('paints the ground as the map, each band in its own colour', () => {
    show({ ...panel, paint: { kind: 'water', coats: 1, sealed: false, asMap: false } });
    choose('Colours of the paint', 'yes');
    expect(set()).toEqual(['ground.paint.asMap', true]);
    choose('Paint', 'oil');
    expect(edited()).toEqual([{ do: 'paint-ground', kind: 'oil' }]);
    choose('Paint', 'none');
    expect(edited()).toEqual([{ do: 'paint-ground', kind: null }]);
  });
});
