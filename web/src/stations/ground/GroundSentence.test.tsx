import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Ground } from '../../api/client';
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

const changed = vi.fn<(ground: Ground) => void>();
const asked = vi.fn<(path: string, body: unknown) => unknown>();

beforeEach(() => {
  changed.mockReset();
  asked.mockReset();
  vi.stubGlobal('fetch', async (request: Request) => {
    const body = request.method === 'GET' ? null : await request.json();
    const answer = asked(new URL(request.url).pathname, body);
    const refused = answer instanceof Error;
    return new Response(JSON.stringify(refused ? { title: 'No', detail: answer.message } : (answer ?? [])), {
      status: refused ? 409 : 200,
      headers: { 'content-type': 'application/json' },
    });
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** The sentence on a page that keeps what is changed. */
function Page({ start, errors }: { start: Ground; errors: Record<string, string> }) {
  const [ground, setGround] = useState(start);
  return (
    <GroundSentence
      ground={ground}
      say={(field) => errors[field]}
      onChange={(to) => {
        changed(to);
        setGround(to);
      }}
    />
  );
}

const show = (start: Ground, errors: Record<string, string> = {}) =>
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <Page start={start} errors={errors} />
      </QueryClientProvider>
    </MemoryRouter>,
  );
const choose = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const write = (label: string, text: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
};
const last = () => changed.mock.lastCall![0];

describe('the sentence of a ground', () => {
  it('leaves what goes with another kind to the workshop', async () => {
    const slice = { ...panel, edge: 'walled' as const };
    asked.mockReturnValue(slice);
    show(panel);
    choose('Kind of piece', 'slice');
    await waitFor(() => expect(changed).toHaveBeenCalledWith(slice));
    expect(asked).toHaveBeenCalledWith('/api/grounds/become', {
      ground: panel,
      anotherRim: false,
      kind: 'slice',
    });
  });

  it('says why when the workshop will not, and changes nothing', async () => {
    asked.mockReturnValue(new Error('Not that.'));
    show(panel);
    choose('Kind of piece', 'slice');
    expect(await screen.findByText('Not that.')).toBeTruthy();
    expect(changed).not.toHaveBeenCalled();
  });

  it('makes a pair with a gap, and one panel again', () => {
    show(panel);
    choose('Number of panels', '2');
    expect(last().set).toEqual({ count: 2, gapMm: 20, mirrored: true });
    choose('Over the gap', 'no');
    expect(last().set?.mirrored).toBe(false);
    write('Gap between panels', '35');
    expect(last().set?.gapMm).toBe(35);
    choose('Number of panels', '1');
    expect(last().set).toBeNull();
  });

  it('takes older work beneath, its relief, and grows a rim of the width that was typed', async () => {
    const over: Ground = {
      ...panel,
      old: {
        name: 'Kiln',
        pieceId: null,
        ground: panel,
        growth: { gridMm: 2, grainMm: 60 },
        recipes: [],
        layers: [],
        sittings: [],
        xMm: 0,
        yMm: 0,
        standsMm: 0,
        reliefMm: 0,
      },
    };
    asked.mockReturnValue(over);
    show(panel);
    choose('What lies beneath', 'yes');
    expect(await screen.findByText('Kiln')).toBeTruthy();
    expect(screen.getByText(/sanded flat/)).toBeTruthy();
    write('Relief of the older work', '1.5');
    expect(last().old?.reliefMm).toBe(1.5);
    write('Width of a new rim', '35');
    await userEvent.click(screen.getByRole('button', { name: 'grow it all round' }));
    expect(asked).toHaveBeenLastCalledWith('/api/grounds/become', expect.objectContaining({ growMm: 35 }));
  });

  it('stands inserts in a mould, each in its own words, and takes them out again', async () => {
    show(casting, { 'ground.mould.inserts[insert-1].recessMm': 'Recess must be from 0 to 100 mm.' });
    await userEvent.click(screen.getByRole('button', { name: 'Stand an insert in it' }));
    expect(last().mould?.inserts).toEqual([
      expect.objectContaining({
        id: 'insert-1',
        name: 'hollow',
        outline: { shape: 'round', diameterMm: 75 },
      }),
    ]);
    expect(screen.getByText('Recess must be from 0 to 100 mm.')).toBeTruthy();
    choose('Shape of hollow', 'rectangle');
    write('Height of hollow', '40');
    write('Foot of hollow', '2');
    expect(last().mould?.inserts?.[0]).toMatchObject({
      outline: { shape: 'rectangle', widthMm: 75, heightMm: 40 },
      floorMm: 2,
    });
    await userEvent.click(screen.getByRole('button', { name: 'Another insert' }));
    expect(last().mould?.inserts?.map((i) => i.id)).toEqual(['insert-1', 'insert-2']);
    await userEvent.click(screen.getByRole('button', { name: 'without hollow' }));
    expect(last().mould?.inserts?.map((i) => i.name)).toEqual(['hollow 2']);
    await userEvent.click(screen.getByRole('button', { name: 'without hollow 2' }));
    expect(last().mould?.inserts).toBeNull();
  });

  it('takes a mould from the library, and another beside it', async () => {
    const mould = (id: string, name: string) => ({ id, mould: { name, owned: 2 } });
    const cast = { ...casting, mould: { ...casting.mould!, libraryIds: ['a'] } };
    asked.mockImplementation((path) =>
      path === '/api/moulds' ? [mould('a', 'Round'), mould('b', 'Tray')] : cast,
    );
    show(casting);
    fireEvent.change(await screen.findByLabelText('Mould of the library'), { target: { value: 'a' } });
    await waitFor(() => expect(changed).toHaveBeenCalledWith(cast));
    choose('A further mould', 'b');
    await waitFor(() =>
      expect(asked).toHaveBeenLastCalledWith('/api/grounds/cast', { ground: cast, mouldIds: ['a', 'b'] }),
    );
    choose('Mould of the library', 'none');
    expect(last().mould?.libraryIds).toBeNull();
  });

  it('paints the ground as the map, each band in its own colour', () => {
    show(panel);
    choose('Paint', 'water');
    expect(last().paint).toMatchObject({ kind: 'water', coats: 1, asMap: false });
    choose('Colours of the paint', 'yes');
    expect(last().paint?.asMap).toBe(true);
    choose('Paint', 'none');
    expect(last().paint).toBeNull();
  });
});
