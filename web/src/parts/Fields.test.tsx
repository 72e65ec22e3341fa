import { QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newQueries } from '../api/queries';
import { UnitsProvider } from '../units/units';
import { NumberField } from './NumberField';
import { TextField } from './TextField';
import { FieldsContext } from './fields';

const taken = vi.fn();
const asked = vi.fn();

const inWorkshop = (of: React.ReactElement) =>
  render(<QueryClientProvider client={newQueries()}>{of}</QueryClientProvider>);

function field(props: Partial<React.ComponentProps<typeof NumberField>> = {}) {
  inWorkshop(
    <UnitsProvider>
      <FieldsContext value={{ ranges, most: {}, usual: {}, unpainted: [] }}>
        <NumberField label="Width" unit="mm" value={300} onChange={taken} {...props} />
      </FieldsContext>
    </UnitsProvider>,
  );
  return screen.getByRole('textbox', { name: 'Width' });
}

const type = (input: HTMLElement, text: string) => {
  fireEvent.change(input, { target: { value: text } });
  fireEvent.keyDown(input, { key: 'Enter' });
};

/** The workshop's answer to a typed quantity. */
const answer = (status: number, body: unknown) =>
  vi.stubGlobal('fetch', async (request: Request) => {
    asked(await request.json());
    return new Response(JSON.stringify(body), {
      status,
      headers: { 'content-type': status === 200 ? 'application/json' : 'application/problem+json' },
    });
  });

beforeEach(() => {
  localStorage.clear();
  taken.mockReset();
  asked.mockReset();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const ranges = {
  width: { what: 'Width', from: 20, to: 3000, unit: 'mm', fromExcluded: false, words: '', sentence: '' },
};

describe('a number field', () => {
  it('takes a number with a decimal comma on Enter', () => {
    type(field(), '12,5');
    expect(taken).toHaveBeenCalledExactlyOnceWith(12.5);
  });

  it('takes a number when it is left, and nothing when nothing was changed', () => {
    const input = field();
    fireEvent.blur(input);
    expect(taken).not.toHaveBeenCalled();
    fireEvent.change(input, { target: { value: '310' } });
    fireEvent.blur(input);
    expect(taken).toHaveBeenCalledExactlyOnceWith(310);
  });

  it('says the range while it is typed, and takes nothing before it is left', async () => {
    const input = field({ takes: { field: 'width' } });
    fireEvent.change(input, { target: { value: '5000' } });
    expect(await screen.findByText('Width must be from 20 to 3000 mm.')).toBeTruthy();
    expect(taken).not.toHaveBeenCalled();
    fireEvent.change(input, { target: { value: '500' } });
    expect(screen.queryByText(/must be/)).toBeNull();
  });

  it('says the range in the person\u2019s units', async () => {
    localStorage.setItem('units', 'us');
    fireEvent.change(field({ takes: { field: 'width' } }), { target: { value: '200' } });
    expect(await screen.findByText('Width must be from 0.787 to 118.1 in.')).toBeTruthy();
  });

  it('takes what is typed at once where it is live, and leaves the text alone', async () => {
    const Live = () => {
      const [value, setValue] = useState<number | null>(300);
      return (
        <NumberField
          label="Live"
          unit="mm"
          live
          empty=""
          value={value}
          onChange={(v) => (setValue(v), taken(v))}
        />
      );
    };
    inWorkshop(<Live />);
    const input = screen.getByRole<HTMLInputElement>('textbox', { name: 'Live' });
    fireEvent.change(input, { target: { value: '12.' } });
    await waitFor(() => expect(taken).toHaveBeenLastCalledWith(12));
    expect(input.value).toBe('12.');
    fireEvent.change(input, { target: { value: '' } });
    await waitFor(() => expect(taken).toHaveBeenLastCalledWith(null));
    fireEvent.change(input, { target: { value: '7' } });
    fireEvent.blur(input);
    expect(taken).toHaveBeenLastCalledWith(7);
  });

  it('takes what was typed into what has changed meanwhile', async () => {
    const Two = () => {
      const [values, setValues] = useState({ a: 1, b: 1 });
      return (
        <>
          <NumberField
            label="A"
            unit=""
            live
            value={values.a}
            onChange={(a) => setValues({ ...values, a: a! })}
          />
          <button type="button" onClick={() => setValues({ ...values, b: 2 })}>
            b
          </button>
          <output>{`${values.a} ${values.b}`}</output>
        </>
      );
    };
    inWorkshop(<Two />);
    fireEvent.change(screen.getByRole('textbox', { name: 'A' }), { target: { value: '7' } });
    fireEvent.click(screen.getByRole('button', { name: 'b' }));
    expect(await screen.findByText('7 2')).toBeTruthy();
  });

  it('says what is no number beside it and keeps what was typed', () => {
    const input = field();
    type(input, 'wide');
    expect(taken).not.toHaveBeenCalled();
    expect(screen.getByText('Type a number in mm, such as 12.5.')).toBeTruthy();
    expect((input as HTMLInputElement).value).toBe('wide');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    type(input, '20');
    expect(screen.queryByText(/Type a number/)).toBeNull();
  });

  it('has a quantity with its unit read by the workshop', async () => {
    answer(200, { value: 44.45, normalised: '44.45 mm' });
    type(field(), '1 3/4 in');
    await waitFor(() => expect(taken).toHaveBeenCalledExactlyOnceWith(44.45));
    expect(asked).toHaveBeenCalledWith({ text: '1 3/4 in', kind: 'length' });
  });

  it('says what the workshop says of a quantity it cannot read', async () => {
    answer(400, {
      title: 'Some values are not accepted',
      errors: { text: ['Type a length with its unit.'] },
    });
    type(field(), '12 apples');
    expect(await screen.findByText('Type a length with its unit.')).toBeTruthy();
    expect(taken).not.toHaveBeenCalled();
  });

  it('shows and takes inches where the person chose them', () => {
    localStorage.setItem('units', 'us');
    const input = field();
    expect((input as HTMLInputElement).value).toBe('11.811');
    type(input, '12');
    expect(taken).toHaveBeenCalledExactlyOnceWith(304.8);
  });

  it('may be emptied only where unknown is allowed', () => {
    const input = field({ empty: '' });
    type(input, '');
    expect(taken).toHaveBeenCalledExactlyOnceWith(null);
    cleanup();
    taken.mockReset();
    type(field(), '');
    expect(taken).not.toHaveBeenCalled();
  });

  it('says what the server refused', () => {
    const input = field({ error: 'Width must be from 20 to 3000 mm.' });
    const described = input
      .getAttribute('aria-describedby')!
      .split(' ')
      .map((id) => document.getElementById(id)?.textContent);
    expect(described).toContain('Width must be from 20 to 3000 mm.');
  });
});

describe('a text field', () => {
  it('is taken on Enter and follows a change from elsewhere', () => {
    const props = { label: 'Name', onChange: taken };
    const view = render(<TextField {...props} value="Fen" />);
    const input = screen.getByRole('textbox', { name: 'Name' });
    type(input, 'Fen Lamp');
    expect(taken).toHaveBeenCalledExactlyOnceWith('Fen Lamp');
    view.rerender(<TextField {...props} value="Marsh" />);
    expect((input as HTMLInputElement).value).toBe('Marsh');
  });
});
