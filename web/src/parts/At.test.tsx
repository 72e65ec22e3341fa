import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import { ChoiceAt, ColourAt, NumberAt, TextAt, WhetherAt } from './At';
import { testEdits } from './testEdits';

const show = (field: ReactNode, errors: Record<string, string> = {}) => {
  vi.stubGlobal('fetch', async () => new Response('[]', { headers: { 'content-type': 'application/json' } }));
  const edits = testEdits(errors);
  const page = (of: ReactNode) => (
    <QueryClientProvider client={new QueryClient()}>
      <edits.Page>{of}</edits.Page>
    </QueryClientProvider>
  );
  const { rerender } = render(page(field));
  return { ...edits, again: (of: ReactNode) => rerender(page(of)) };
};
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const write = (label: string, value: string) => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
  fireEvent.blur(screen.getByLabelText(label));
};

it('sets a number where it stands, in the unit of the document', () => {
  const { set } = show(
    <NumberAt place="layers[l].layout.rimFollow" label="Rim" unit="%" value={0.2} per={100} />,
  );
  expect(screen.getByLabelText<HTMLInputElement>('Rim').value).toBe('20');
  write('Rim', '35');
  expect(set).toHaveBeenCalledExactlyOnceWith('layers[l].layout.rimFollow', 0.35);
});

it('clears only a number that may be left to its default', () => {
  const { set, again } = show(<NumberAt place="layers[l].depthMm" label="Depth" unit="mm" value={3} />);
  write('Depth', '');
  expect(set).not.toHaveBeenCalled();
  again(<NumberAt place="sittings[l].roomC" label="Room" unit="°C" value={21} empty="" />);
  write('Room', '');
  expect(set).toHaveBeenCalledExactlyOnceWith('sittings[l].roomC', null);
});

it('says what was refused of it, or of what stands beside it, and keeps what was typed', () => {
  show(<NumberAt place="a.b" also="a" label="Depth" unit="mm" value={3} />, { a: 'Too deep for it.' });
  write('Depth', '900');
  expect(screen.getByText('Too deep for it.')).toBeTruthy();
  expect(screen.getByLabelText<HTMLInputElement>('Depth').value).toBe('900');
});

it('sets names, choices, colours and a yes or no', () => {
  const { set } = show(
    <>
      <TextAt place="name" label="Name" value="Fen" />
      <ChoiceAt
        place="c"
        label="Choice"
        value="a"
        choices={[
          ['a', 'one'],
          ['b', 'other'],
        ]}
      />
      <WhetherAt place="w" label="Whether" value={false} no="no" yes="yes" />
      <ColourAt place="k" label="Colour" value="#ffffff" />
    </>,
  );
  write('Name', 'Mere');
  fireEvent.change(screen.getByLabelText('Choice'), { target: { value: 'b' } });
  fireEvent.change(screen.getByLabelText('Whether'), { target: { value: 'yes' } });
  fireEvent.click(screen.getByLabelText('Colour'));
  write('or typed', '#123456');
  expect(set.mock.calls).toEqual([
    ['name', 'Mere'],
    ['c', 'b'],
    ['w', true],
    ['k', '#123456'],
  ]);
});

it('takes of what the keys pass only where they rest, by Enter, or when it is left', () => {
  vi.useFakeTimers();
  const { set } = show(
    <ChoiceAt
      place="c"
      label="Choice"
      value="a"
      choices={[
        ['a', 'one'],
        ['b', 'other'],
        ['c', 'third'],
      ]}
    />,
  );
  const field = screen.getByLabelText<HTMLSelectElement>('Choice');
  const pass = (to: string) => {
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    fireEvent.change(field, { target: { value: to } });
    expect(field.value).toBe(to);
  };
  pass('b');
  pass('c');
  expect(set).not.toHaveBeenCalled();
  vi.advanceTimersByTime(400);
  expect(set).toHaveBeenCalledExactlyOnceWith('c', 'c');
  set.mockClear();
  pass('b');
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(set).toHaveBeenCalledExactlyOnceWith('c', 'b');
  set.mockClear();
  pass('c');
  fireEvent.blur(field);
  expect(set).toHaveBeenCalledExactlyOnceWith('c', 'c');
  pass('b');
  pass('a');
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(set).toHaveBeenCalledOnce();
  vi.useRealTimers();
});

it('shows a choice until it is kept, and what was there where it is refused', async () => {
  const edits = show(
    <ChoiceAt
      place="c"
      label="Choice"
      value="a"
      choices={[
        ['a', 'one'],
        ['b', 'other'],
      ]}
    />,
  );
  let done: (to: null) => void = () => undefined;
  edits.set.mockReturnValue(new Promise((d) => (done = d)));
  const field = screen.getByLabelText<HTMLSelectElement>('Choice');
  fireEvent.change(field, { target: { value: 'b' } });
  expect(field.value).toBe('b');
  done(null);
  await waitFor(() => expect(field.value).toBe('a'));
});
