import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { newQueries } from '../../api/queries';
import { FromDrawing } from './FromDrawing';

const read = vi.fn();
const asked = vi.fn<(body: unknown) => Response>();
const outline = { shape: 'drawn', path: 'M0 0L9 0L9 9Z' };

beforeEach(() => {
  read.mockReset();
  asked.mockReset();
  vi.stubGlobal('fetch', async (request: Request) => asked(await request.json()));
  render(
    <QueryClientProvider client={newQueries()}>
      <FromDrawing onRead={read} />
    </QueryClientProvider>,
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const json = (of: unknown, status = 200) =>
  new Response(JSON.stringify(of), { status, headers: { 'content-type': 'application/json' } });
const pick = (text: string) => {
  const file = new File([text], 'sign.svg', { type: 'image/svg+xml' });
  // The test page knows no File.text.
  file.text = async () => text;
  fireEvent.change(screen.getByLabelText('Outline from an SVG drawing'), { target: { files: [file] } });
};

it('reads a drawing, and again when pixels count otherwise', async () => {
  asked.mockImplementation(() => json({ outline, widthMm: 9, heightMm: 9, parts: 1 }));
  pick('<svg/>');
  await waitFor(() => expect(read).toHaveBeenCalledWith(outline));
  expect(asked).toHaveBeenLastCalledWith({ svg: '<svg/>', dpi: 96 });
  const dpi = screen.getByLabelText('Pixels to an inch');
  fireEvent.change(dpi, { target: { value: '72' } });
  fireEvent.blur(dpi);
  await waitFor(() => expect(asked).toHaveBeenLastCalledWith({ svg: '<svg/>', dpi: 72 }));
  await waitFor(() => expect(read).toHaveBeenCalledTimes(2));
});

it('says what is wrong with a drawing and changes nothing', async () => {
  asked.mockImplementation(() =>
    json({ title: 'No', status: 400, errors: { svg: ['<text id="a"> is text.'] } }, 400),
  );
  pick('<svg/>');
  expect((await screen.findByRole('alert')).textContent).toBe('<text id="a"> is text.');
  expect(read).not.toHaveBeenCalled();
});

it('does not send what is far too large', async () => {
  pick('x'.repeat(5_000_001));
  expect((await screen.findByRole('alert')).textContent).toContain('5.0 MB; up to 5 MB are read');
  expect(asked).not.toHaveBeenCalled();
});
